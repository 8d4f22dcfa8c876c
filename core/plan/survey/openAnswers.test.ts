import type { CrackInput, ElementInput, FindingInput, GrooveInput } from '../../survey';
import { crack, element, finding, input, sheetOf, typed } from '../../testing/job';
import { compareSystems, computePlan, surveyOf, type PlanInput } from '../index';

const { suspended: _s, moisture: _m, earlier: _e, causeGoesOn: _c, ...open } = element;
const jobOf = (element: ElementInput, findings: readonly FindingInput[] = [finding], change: Partial<PlanInput> = {}): PlanInput => ({
  ...input,
  elements: [{ ...element, opens: null }],
  findings,
  treatments: [],
  ...change,
});
const verdictOf = (element: ElementInput, findings?: readonly FindingInput[]) => surveyOf(jobOf(element, findings)).elements[0]!;
const verdictCodes = (element: ElementInput, findings?: readonly FindingInput[]): string[] =>
  verdictOf(element, findings).verdict.reasons.map(({ code }) => code);
const refusals = (element: ElementInput, name: string, found: FindingInput): string[] => {
  const { ranking } = computePlan(jobOf(element, [found])).findings[0]!;
  return ranking
    .find(({ sheetId }) => sheetId === sheetOf(name).id)!
    .reasons.filter(({ verdict }) => verdict !== 'yes')
    .map(({ code }) => code);
};

test('what nobody answered is judged at the worse for each rule, and blocks nothing', () => {
  expect(verdictCodes(open)).toEqual(expect.arrayContaining(['verdict.earlierUnknown', 'verdict.causeUnknown']));
  expect(verdictOf(open).stops).toEqual([]);
  const deep = { ...finding, deepest: typed(0.06) };
  expect(verdictCodes(open, [deep])).toContain('verdict.depthOpen');
  expect(verdictOf(open, [deep]).stops).toEqual([]);
  // A resin may be on what is damp, a mortar on what is dry.
  expect(refusals(open, 'crackResin', crack)).toContain('moisture.open');
  expect(refusals(open, 'sandedRapid', finding)).toContain('moisture.soak');
  expect(computePlan(jobOf(open)).findings[0]!.ranking[0]!.verdict).not.toBe('no');
  const moving: CrackInput = { ...crack, moves: 'yes' };
  expect(
    [verdictCodes(open, [moving]), verdictCodes({ ...open, suspended: false }, [moving])].map((codes) => codes.find((code) => /Moves/.test(code))),
  ).toEqual(['verdict.crackMovesOpen', 'verdict.crackMovesJoint']);
});

test('a soffit is carried unless somebody says otherwise, and a groove counts as depth', () => {
  const deep = { ...finding, deepest: typed(0.06) };
  expect(verdictCodes({ ...open, kind: 'soffit' }, [deep])).toContain('verdict.depthOfSuspended');
  expect(verdictCodes({ ...open, kind: 'soffit', suspended: false }, [deep])).not.toContain('verdict.depthOfSuspended');
  const groove: GrooveInput = {
    id: 'g',
    elementId: 'e',
    label: 'G',
    kind: 'groove',
    line: crack.line,
    width: typed(0.01),
    depth: typed(0.06),
    blade_m: 0.003,
    moves: null,
  };
  expect(verdictCodes({ ...element, suspended: true }, [groove])).toContain('verdict.depthOfSuspended');
  // In an element that is a joint nothing rigid fills it, whoever has measured its movement or not.
  expect(refusals({ ...element, kind: 'joint', moisture: 'dry' }, 'filledResin', { ...groove, depth: typed(0.02) })).toContain('movement.rigid');
  expect(refusals({ ...element, kind: 'joint', moisture: 'dry' }, 'jointSealant', { ...groove, depth: typed(0.02) })).not.toContain('movement.rigid');
});

test('growth stops everywhere, whatever the switch says; what rises and falls, or does a joint’s work, takes nothing rigid', () => {
  const DAY_S = 86400;
  const visits = (...widths_m: number[]): NonNullable<CrackInput['visits']> =>
    widths_m.map((width_m, i) => ({ at_s: i * 90 * DAY_S, widths: [[0.5, width_m]] as const }));
  const dry: ElementInput = { ...element, moisture: 'dry' };
  for (const moves of ['no', 'yes', 'unknown'] as const)
    expect(verdictOf(dry, [{ ...crack, moves, visits: visits(0.002, 0.003) }]).stops.map(({ code }) => code)).toEqual(['verdict.crackGrew']);
  const swings: CrackInput = { ...crack, moves: 'no', visits: visits(0.002, 0.003, 0.002) };
  expect(verdictCodes(dry, [swings])).toContain('verdict.crackMovesJoint');
  expect(verdictOf({ ...dry, kind: 'wall' }, [swings]).stops.map(({ code }) => code)).toEqual(['verdict.crackMoves']);
  expect(refusals(dry, 'crackResin', swings)).toContain('movement.rigid');
  const across: CrackInput = { ...crack, moves: 'no', line: [[3, 0], [3, 4]] }; // prettier-ignore
  expect(verdictCodes(dry, [across])).toContain('verdict.jointsWork');
  expect(refusals(dry, 'crackResin', across)).toContain('movement.rigid');
  expect(refusals(dry, 'jointSealant', across)).toContain('movement.cutJoint');
});

test('one stopped element stops itself: the rest of the job is planned, ordered and compared', () => {
  const rusty: ElementInput = { ...element, id: 'r', name: 'Lintel', stops: { ...element.stops, rust: 'yes' } };
  const sheetId = sheetOf('sandedRapid').id;
  const job: PlanInput = {
    ...input,
    elements: [{ ...element, opens: null }, rusty],
    findings: [finding, { ...finding, id: 'g', elementId: 'r', label: 'B' }],
    treatments: [
      { findingId: 'f', sheetId },
      { findingId: 'g', sheetId },
    ],
  };
  const plan = computePlan(job);
  expect(plan.findings.map(({ chosen }) => chosen !== null)).toEqual([true, false]);
  expect(plan.orders[0]!.powder.p50).toBeCloseTo(plan.findings[0]!.chosen!.quantities.powder.p50, 9);
  expect(plan.warnings).toContainEqual({ code: 'element.stopped', verdict: 'no', figures: { name: 'Lintel' } });
  const [outcome] = compareSystems({ input: job, systems: [{ code: 'chosen', treatments: job.treatments }] });
  expect(outcome).toMatchObject({ verdict: 'yes', reasons: [] });
});
