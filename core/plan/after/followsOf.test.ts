import { aids, catalogue } from '../../shelf/catalogue';
import type { FindingInput } from '../../survey';
import { rectangle } from '../../takeoff';
import { element, input, sheetOf, typed } from '../../testing/job';
import { computePlan, followsOf, type PlanInput, type TreatmentInput } from '../index';

const MILD = { air_C: typed(20), slab_C: typed(19), powder_C: typed(20), water_C: typed(15), humidity: typed(0.6), wind_ms: typed(1), sun: false };
const named = (name: RegExp) => catalogue.find((sheet) => name.test(sheet.name))!;
const aid = (name: RegExp): string => aids.find((each) => name.test(each.name))!.id;
const found = { id: 'f', elementId: 'e', label: 'A' };
const patch = (depth_m: number, change: object = {}): FindingInput =>
  ({
    ...found,
    kind: 'spall',
    outline: rectangle({ length_m: 0.5, width_m: 0.4 }),
    deepest: typed(depth_m),
    shape: 'pan',
    edge: 'cut',
    cutDepth_m: depth_m,
    ...change,
  }) as FindingInput;
const job = (finding: FindingInput, treatment: Omit<TreatmentInput, 'findingId'>, change: object = {}): PlanInput => ({
  ...input,
  aids,
  elements: [{ ...element, exposures: [], opens: null, thickness: typed(0.3), moisture: 'damp', outline: rectangle({ length_m: 2, width_m: 1.5 }), ...change }],
  conditions: MILD,
  findings: [finding],
  treatments: [{ findingId: 'f', ...treatment }],
});
/** Everything that follows any batch of a job, each in the order in which it stands on the list. */
const all = (of: PlanInput): string[] => {
  const plan = computePlan(of);
  expect(plan.batches.length).toBeGreaterThan(0);
  return [...new Set(plan.batches.flatMap((batch) => followsOf(plan, of, batch).map(({ code }) => code)))];
};
const mortar = sheetOf('sandedRapid');
const top: FindingInput = {
  ...found,
  kind: 'counter',
  outline: rectangle({ length_m: 1, width_m: 0.6 }),
  cutouts_m2: [],
  thickness: typed(0.04),
  cast: true,
  edges: [],
  stock_m: 2.44,
  kerf_m: 0.003,
} as FindingInput;
const crack: FindingInput = {
  ...found,
  kind: 'crack',
  line: [
    [0, 1],
    [1, 1],
  ],
  profile: 'slot',
  widths: [[0, 0.002]],
  depth: typed(0.01),
  cap_m: 0.006,
  runaway: 0,
} as FindingInput;
const hole = { ...found, kind: 'void', outline: rectangle({ length_m: 0.4, width_m: 0.3 }), deepest: typed(0.04), shape: 'pan' } as FindingInput;
const overlay = { sheetId: named(/^Broom overlay, rapid/).id, thickness_m: 0.003, over: 'element' as const };

test.each<[string, PlanInput, readonly string[], readonly string[]]>([
  [
    'a patch that wheels run over',
    job(patch(0.03), { sheetId: mortar.id }, { opens: { after_s: 86400, to: 'vehicles' } }),
    ['vehicles', 'foot'],
    ['paint', 'strip'],
  ],
  ['a fill under an overlay', job(patch(0.03), { sheetId: mortar.id, overlay }), ['cover', 'foot'], ['vehicles', 'paint']],
  [
    'two lifts on a wall',
    job(patch(0.03, { edge: 'feathered' }), { sheetId: named(/^Render repair mortar, polymer/).id }, { kind: 'wall' }),
    ['nextLift', 'paint'],
    ['foot'],
  ],
  [
    'a cast countertop',
    job(top, { sheetId: named(/^Countertop mix, white/).id }, { kind: 'counter' }),
    ['demould', 'turn', 'use'],
    ['strip', 'vehicles', 'foot'],
  ],
  ['a crack filled with resin', job(crack, { sheetId: named(/^Pit and crack resin/).id }, { moisture: 'dry' }), ['grind'], ['nextLift', 'paint', 'gel']],
  ['a void under water', job(hole, { sheetId: sheetOf('antiWashout').id }, { moisture: 'wet' }), ['gel'], ['rub', 'coat']],
  [
    'an edge on a brushed agent, coated',
    job({ ...found, kind: 'edge', section: 'rectangle', length: typed(1), across: typed(0.04), down: typed(0.04) } as FindingInput, {
      sheetId: sheetOf('edgeMortar').id,
      aids: { bond: aid(/wet on wet/), coat: aid(/^Silane/) },
    }),
    ['cover', 'coat'],
    ['gel', 'vehicles'],
  ],
])('%s', (_what, of, has, hasNot) => {
  const codes = all(of);
  for (const code of has) expect(codes).toContain(code);
  for (const code of hasNot) expect(codes).not.toContain(code);
});

test('a face left high is rubbed once it is hard enough', () => {
  const high: PlanInput = { ...job(patch(0.03), { sheetId: mortar.id }), house: { level: 'high' } as never };
  const plan = computePlan(high);
  const rubs = plan.batches.flatMap((batch) => followsOf(plan, high, batch)).filter(({ code }) => code === 'rub');
  const has = plan.findings[0]!.chosen!.steps.some(({ code }) => code === 'step.rubFlush');
  expect(rubs.length > 0).toBe(has);
});

test('what follows nothing that is planned is nothing', () => {
  const of = job(patch(0.03), { sheetId: mortar.id });
  const plan = computePlan(of);
  const [batch] = plan.batches;
  expect(followsOf({ ...plan, findings: [] }, of, { ...batch!, milestones: [] })).toEqual([]);
  expect(followsOf(plan, { ...of, elements: [] }, batch!)).toEqual([]);
});
