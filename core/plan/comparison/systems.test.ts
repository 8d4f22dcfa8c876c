import type { FindingInput } from '../../survey';
import { crack, element, finding, input, sheetOf, typed } from '../../testing/job';
import {
  bestBy,
  bestTreatments,
  compareSystems,
  computePlan,
  decide,
  replacementOf,
  suggestedSystems,
  type PlanInput,
  type SystemInput,
  type SystemOutcome,
} from '../index';

const compared = (
  jobFile: PlanInput,
  systems: readonly SystemInput[] = suggestedSystems(jobFile, computePlan(jobFile)),
  price_minor?: number,
): SystemOutcome[] => compareSystems({ input: jobFile, systems, ...(price_minor === undefined ? {} : { price_minor }) });

/** The job as it is chosen, with another mortar, and replaced. */
const TRIO: readonly SystemInput[] = [
  { code: 'chosen', treatments: input.treatments },
  { code: 'soonest', treatments: [{ findingId: 'f', sheetId: sheetOf('fineRapid').id }] },
  { code: 'replace', treatments: [] },
];

test('a dear fast material that saves a second trip is the cheap one', () => {
  const deep = { ...input, elements: [{ ...element, opens: null, thickness: typed(0.3) }], findings: [{ ...finding, deepest: typed(0.05) }] };
  // Slow and thin: its second lift comes a day later.
  const slow = {
    ...sheetOf('sandedRapid'),
    id: 'slow',
    thickness: { ...sheetOf('sandedRapid').thickness, liftMost_m: 0.03 },
    intervals: { layer: { least_s: 72000, most_s: 172800 }, recoat: { least_s: 0, most_s: 1e6 } },
  };
  const fast = { ...sheetOf('sandedRapid'), id: 'fast', packs: sheetOf('sandedRapid').packs.map((pack) => ({ ...pack, price_minor: pack.price_minor * 1.5 })) };
  const jobFile = { ...deep, sheets: [slow, fast], treatments: [] };
  const of = (sheetId: string): SystemInput => ({ code: 'own', treatments: [{ findingId: 'f', sheetId }] });
  const [a, b] = compared(jobFile, [of('slow'), of('fast')]);
  expect([a!.trips, b!.trips]).toEqual([2, 1]);
  expect(a!.cost.material_minor).toBeLessThan(b!.cost.material_minor);
  expect(decide([a!, b!], 0.1)).toMatchObject({ winner: 1, code: 'total' });
  const { ranking } = computePlan(jobFile).findings[0]!;
  expect(ranking[0]!.sheetId).toBe('fast');
  expect(ranking[0]!.cost_minor! - ranking[0]!.material_minor!).toBeGreaterThan(0);
});

test('one price for every repair, a replacement sold at its own; the parts add up to the whole inside its range', () => {
  const all = compared(input, TRIO);
  expect(all.map(({ code }) => code)).toEqual(['chosen', 'soonest', 'replace']);
  for (const { cost, total, price_minor, margin_minor } of all) {
    expect(cost.material_minor + cost.labour_minor + cost.trips_minor + cost.tools_minor + cost.disposal_minor).toBe(cost.total_minor);
    expect(total.p10).toBeLessThan(cost.total_minor);
    expect(total.p90).toBeGreaterThan(cost.total_minor);
    expect(price_minor - cost.total_minor).toBe(margin_minor);
  }
  expect(all[0]!.price_minor).toBe(Math.round(all[0]!.cost.total_minor * 1.35));
  expect(all[1]!.price_minor).toBe(all[0]!.price_minor);
  expect(all[2]!.price_minor).toBe(Math.round(all[2]!.cost.total_minor * 1.35));
  expect(
    compared(input, TRIO, 200_000)
      .map(({ price_minor }) => price_minor)
      .slice(0, 2),
  ).toEqual([200_000, 200_000]);
  const dear = compared({ ...input, firm: { ...input.firm, rates: { labour_minor_h: 11000 } } })[0]!;
  expect(dear.cost.labour_minor).toBeCloseTo(2 * all[0]!.cost.labour_minor, -1);
});

test('a replacement: more of everything, as new, late for who cannot wait, licensed where it carries or stands', () => {
  const [repair, , replace] = compared(input, TRIO);
  expect(replace).toMatchObject({ verdict: 'no', chanceLost: null, life: { code: 'renewed' } });
  expect(replace!.reasons.map(({ code }) => code)).toEqual(['system.opensLate']);
  expect(replace!.cost.disposal_minor).toBeGreaterThan(10 * repair!.cost.disposal_minor);
  const quiet = { ...input, elements: [{ ...element, opens: null }] };
  expect(compared(quiet).at(-1)).toMatchObject({ verdict: 'yes' });
  const carried = compared({ ...quiet, elements: [{ ...element, opens: null, suspended: true }] }).at(-1)!;
  expect(carried.reasons.map(({ code }) => code)).toEqual(['system.licensed']);
  const laminate = compared({ ...quiet, elements: [{ ...element, opens: null, material: 'laminate' }] }).at(-1)!;
  expect(laminate.reasons).toMatchObject([{ code: 'system.notCast', verdict: 'no', figures: { substrate: 'laminate' } }]);
  const wall = replacementOf({ ...element, kind: 'wall' }, input);
  expect(wall.licensed).toBe(true);
  expect(wall.tasks[1]!.person_s).toBeGreaterThan(replacementOf(element, input).tasks[1]!.person_s);
});

test('phases: set up anew each time, the same material and more; what waits is said', () => {
  const two: PlanInput = { ...input, findings: [finding, { ...finding, id: 'g', label: 'B', phase: 'season' }] };
  const plan = computePlan(two);
  const systems = suggestedSystems(two, plan);
  expect(systems.map(({ code }) => code)).toEqual(['chosen', 'now', 'phases', 'replace']);
  const [now, phases] = compared(two, systems.slice(1, 3));
  expect(phases!.trips).toBeGreaterThan(now!.trips);
  expect(phases!.cost.trips_minor).toBeGreaterThan(now!.cost.trips_minor);
  expect(phases!.reasons.map(({ code }) => code)).toContain('system.waiting');
  expect(decide([now!, phases!], 0.1).winner).toBe(0);
  expect(bestTreatments(two, plan).map(({ findingId }) => findingId)).toEqual(['f', 'g']);
});

test('what nothing fits stands against a system, and refusal weighs more than money', () => {
  const jobFile: PlanInput = { ...input, findings: [{ ...crack, moves: 'yes' }], sheets: [sheetOf('sandedRapid')], treatments: [] };
  const [nothing] = compared(jobFile, [
    { code: 'chosen', treatments: [] },
    { code: 'replace', treatments: [] },
  ]);
  expect(nothing).toMatchObject({ verdict: 'no', opens_s: null, chanceLost: null, life: { code: 'short' } });
  expect(nothing!.reasons.map(({ code }) => code)).toEqual(['system.nothingFits']);
  const [a, b] = compared(input, TRIO);
  const cheap = { ...a!, verdict: 'no' as const, cost: { ...a!.cost, total_minor: 1 } };
  expect(decide([cheap, b!], 0.1)).toEqual({ winner: 1, code: 'fits', figures: {} });
  expect(bestBy([cheap, b!]).total).toEqual([]);
  expect(bestBy([a!, { ...b!, cost: { ...b!.cost, total_minor: a!.cost.total_minor - 1 } }]).total).toEqual([1]);
});

test('what waits leaves nothing to replace now; what no sheet says opens at no time; a replacement alone has its own price', () => {
  const waits: PlanInput = { ...input, findings: [{ ...finding, phase: 'season' }], treatments: [] };
  const [nothing] = compared(waits, [{ code: 'replace', treatments: [] }]);
  expect(nothing).toMatchObject({ opens_s: null, cost: { material_minor: 0, tools_minor: 0 } });
  expect(nothing!.price_minor).toBe(Math.round(nothing!.cost.total_minor * 1.35));
  const silent = { ...sheetOf('sandedRapid'), id: 'silent', milestones: { final: 1800 }, strengthFor: {} };
  const quiet: PlanInput = { ...input, sheets: [silent], elements: [{ ...element, opens: null }], treatments: [{ findingId: 'f', sheetId: 'silent' }] };
  expect(compared(quiet, [{ code: 'chosen', treatments: quiet.treatments }])[0]!.opens_s).toBeNull();
  // Nothing fits: what was chosen all the same is kept as it is, and nothing is put in its place.
  const none = { ...input, sheets: [sheetOf('crackResin')], treatments: [{ findingId: 'f', sheetId: sheetOf('crackResin').id }] };
  expect(suggestedSystems(none, computePlan(none)).map(({ code, treatments }) => [code, treatments.length])).toEqual([
    ['chosen', 1],
    ['replace', 0],
  ]);
  expect(bestTreatments({ ...none, treatments: [] }, computePlan({ ...none, treatments: [] }))).toEqual([]);
});

test('the cheapest and the soonest have the best verdict there is: what fits with care is not set against what fits', () => {
  const mortar = sheetOf('sandedRapid');
  const dear = { ...mortar, colour: { ...mortar.colour, dry: 'grey' }, packs: mortar.packs.map((pack) => ({ ...pack, price_minor: pack.price_minor * 4 })) };
  const jobFile: PlanInput = {
    ...input,
    elements: [{ ...element, colour: 'grey' }],
    sheets: [dear, { ...mortar, id: 'cheap', colour: { ...mortar.colour, dry: 'white' } }],
    treatments: [],
  };
  const plan = computePlan(jobFile);
  expect(plan.findings[0]!.ranking.map(({ sheetId, verdict }) => [sheetId, verdict])).toEqual([
    [dear.id, 'yes'],
    ['cheap', 'caution'],
  ]);
  expect(suggestedSystems(jobFile, plan).map(({ code }) => code)).toEqual(['chosen', 'replace']);
});

test('what decides between alike totals: trips, then the chance of losing a batch, then opening, then life', () => {
  const [a] = compared(input);
  const other = (change: Partial<SystemOutcome>): SystemOutcome => ({ ...a!, ...change });
  const code = (change: Partial<SystemOutcome>) => decide([other(change), a!], 0.1);
  expect(code({ trips: 2 })).toMatchObject({ winner: 1, code: 'trips', figures: { trips: 1 } });
  expect(code({ opens_s: a!.opens_s! + 1801 })).toMatchObject({ winner: 1, code: 'opens' });
  expect(code({ opens_s: a!.opens_s! + 1799 })).toMatchObject({ winner: 0, code: 'alike' });
  expect(code({ opens_s: null, life: { ...a!.life, code: 'short' } })).toMatchObject({ winner: 1, code: 'life' });
  expect(code({})).toMatchObject({ winner: 0, code: 'alike' });
  // Sooner is not worth a batch; as little as this is no more than the figures are sure of.
  const riskier = (chanceLost: number) => decide([other({ chanceLost, opens_s: a!.opens_s! - 3600 }), other({ chanceLost: 0 })], 0.1);
  expect(riskier(0.05)).toMatchObject({ winner: 1, code: 'chance', figures: { chance_share: 0, other_share: 0.05 } });
  expect(riskier(0.0499)).toMatchObject({ winner: 0, code: 'opens' });
  // Past what the firm accepts, no money is saved by it.
  const cheap = { ...other({ chanceLost: 0.12 }), cost: { ...a!.cost, total_minor: a!.cost.total_minor * 0.8 } };
  expect(decide([cheap, a!], 0.1)).toMatchObject({ winner: 1, code: 'chance' });
  expect(decide([cheap, a!], 0.2)).toMatchObject({ winner: 0, code: 'total' });
  expect(decide([other({ chanceLost: null }), other({ chanceLost: 0.12 })], 0.1)).toMatchObject({ winner: 0, code: 'chance', figures: { chance_share: 0 } });
  expect(decide([a!], 0.1)).toMatchObject({ winner: 0, code: 'only' });
  // Each is alike to its neighbour and the ends are not: whatever their order, one wins, and is better by what is said.
  const costing = (share: number, chanceLost: number) => ({ ...other({ chanceLost }), cost: { ...a!.cost, total_minor: 100_000 * share } });
  const three = [costing(1, 0.095), costing(1.02, 0.04), costing(1.04, 0)];
  for (const order of [
    [0, 1, 2],
    [1, 2, 0],
    [2, 0, 1],
  ]) {
    const decision = decide(
      order.map((i) => three[i]!),
      0.1,
    );
    expect(order[decision.winner]).toBe(1);
    expect(decision).toMatchObject({ code: 'chance', figures: { chance_share: 0.04, other_share: 0.095 } });
  }
});

const broom = sheetOf('broomOverlay').id;
const SKIM: FindingInput = { id: 'f', elementId: 'e', label: 'S', kind: 'skim', outline: finding.outline, thickness: typed(0.003), profile: 3 };
const JOINT: FindingInput = {
  id: 'f',
  elementId: 'e',
  label: 'J',
  kind: 'groove',
  line: crack.line,
  width: typed(0.02),
  depth: typed(0.03),
  blade_m: 0.006,
  moves: null,
};

test.each<[string, string, Partial<PlanInput>]>([
  ['a square fill', 'long', {}],
  ['where the cause goes on', 'middle', { elements: [{ ...element, causeGoesOn: 'yes' }] }],
  ['where an earlier one failed too', 'short', { elements: [{ ...element, causeGoesOn: 'unknown', earlier: 'failed' }] }],
  [
    'with a thin rim',
    'middle',
    {
      findings: [{ ...finding, edge: 'feathered', deepest: typed(0.006) }],
      treatments: [{ findingId: 'f', sheetId: sheetOf('fineRapid').id }],
      elements: [{ ...element, exposures: [] }],
    },
  ],
  [
    'a resin',
    'middle',
    { findings: [crack], elements: [{ ...element, moisture: 'dry', opens: null }], treatments: [{ findingId: 'f', sheetId: sheetOf('crackResin').id }] },
  ],
  ['a thin skin', 'middle', { findings: [SKIM], elements: [{ ...element, opens: null }], treatments: [{ findingId: 'f', sheetId: broom }] }],
  [
    'a sealant',
    'middle',
    { findings: [JOINT], elements: [{ ...element, moisture: 'dry', opens: null }], treatments: [{ findingId: 'f', sheetId: sheetOf('jointSealant').id }] },
  ],
  [
    'a fill and a thin skin, as the skin does',
    'middle',
    {
      findings: [finding, { ...SKIM, id: 's' }],
      elements: [{ ...element, opens: null }],
      treatments: [
        { findingId: 'f', sheetId: sheetOf('sandedRapid').id },
        { findingId: 's', sheetId: broom },
      ],
    },
  ],
  ['what its sheet refuses', 'short', { treatments: [{ findingId: 'f', sheetId: sheetOf('portlandTopping').id }] }],
])('%s should last: %s', (_, code, change) => {
  const jobFile = { ...input, ...change };
  expect(compared(jobFile, [{ code: 'chosen', treatments: jobFile.treatments }])[0]!.life.code).toBe(code);
});
