import { BREAKS, fold, type BatchState, type PourEvent } from '../../pour';
import type { FindingInput } from '../../survey';
import { rectangle } from '../../takeoff';
import { element, input, sheetOf, typed } from '../../testing/job';
import { computePlan, followsOf, inputOn, pouredOf, waysOn, type Batch, type PlanInput } from '../index';

const mortar = sheetOf('sandedRapid');
const MILD = { air_C: typed(20), slab_C: typed(19), powder_C: typed(20), water_C: typed(15), humidity: typed(0.6), wind_ms: typed(1), sun: false };
const patch = (id: string, depth_m = 0.03): FindingInput =>
  ({
    id,
    elementId: 'e',
    label: id,
    kind: 'spall',
    outline: rectangle({ length_m: 0.9, width_m: 0.5 }),
    deepest: typed(depth_m),
    shape: 'pan',
    edge: 'cut',
    cutDepth_m: depth_m,
  }) as FindingInput;
const job: PlanInput = {
  ...input,
  elements: [{ ...element, exposures: [], opens: null, thickness: typed(0.3), moisture: 'damp' }],
  findings: [patch('f'), patch('g')],
  treatments: ['f', 'g'].map((findingId) => ({ findingId, sheetId: mortar.id })),
  conditions: MILD,
};
const { batches } = computePlan(job);
const of = (state: Pick<BatchState, 'batch'>): Batch | null => batches.find(({ number }) => number === state.batch) ?? null;
let seq = 0;
const tap = (batch: string, kind: PourEvent['kind'], at: number): PourEvent => {
  seq += 1;
  const base = { jobId: 'j', findingId: 'f', planId: 'p', device: 'd', seq, clockOffset: 0, person: 'lead', v: 1 as const };
  return { ...base, id: `e${seq}`, batch, kind, deviceAt: at, payload: {} };
};
const poured = (...numbers: string[]) => fold(numbers.flatMap((number, i) => [tap(number, 'start', i * 100), tap(number, 'placed', i * 100 + 50)]));
const amountOf = (list: readonly Batch[], findingId: string): number =>
  list.reduce((sum, { serves }) => sum + serves.filter((served) => served.findingId === findingId).reduce((all, { amount }) => all + amount, 0), 0);

test('what is left is what is asked without what is in place, to the gram, with numbers that go on', () => {
  expect(batches.length).toBeGreaterThan(3);
  const states = poured('1', '2');
  const left = computePlan({ ...job, poured: pouredOf(states, of) }).batches;
  for (const id of ['f', 'g']) expect(amountOf(left, id) + amountOf(batches.slice(0, 2), id)).toBeCloseTo(amountOf(batches, id), 9);
  const [first] = left;
  // The layer that is open goes on, and no key is one of what was poured.
  expect(first!.serves[0]).toMatchObject({ part: expect.stringMatching(/more|rest/), nth: 3 });
  const before = new Set(batches.slice(0, 2).map(({ key }) => key));
  expect(left.every(({ key }) => !before.has(key))).toBe(true);
  expect([first!.key, first!.number]).toEqual([batches[2]!.key, '3']);
});

test('what went hard before it was placed, or was thrown away, is asked again under a new number', () => {
  const lost = fold([tap('1', 'start', 0), tap('1', 'wentHard', 60), tap('2', 'start', 100), tap('2', 'placed', 150)]);
  const left = computePlan({ ...job, poured: pouredOf(lost, of) }).batches;
  expect(amountOf(left, 'f') + amountOf(left, 'g')).toBeCloseTo(amountOf(batches, 'f') + amountOf(batches, 'g') - batches[1]!.amount, 9);
  expect(left[0]!.key).toBe(batches[2]!.key);
  expect(pouredOf(fold([tap('1b', 'start', 0)]), of)).toEqual([]);
});

test('a job that is poured whole has nothing left, and what waits on it names the number it waits for', () => {
  const all = computePlan({ ...job, poured: pouredOf(poured(...batches.map(({ number }) => number)), of) });
  expect(all.batches).toEqual([]);
  const lifts: PlanInput = { ...job, findings: [patch('f', 0.09)], treatments: [job.treatments[0]!] };
  const list = computePlan(lifts).batches;
  const second = list.findIndex(({ serves }) => serves[0]!.lift === 2);
  expect(second).toBeGreaterThan(0);
  const states = poured(...list.slice(0, second).map(({ number }) => number));
  const left = computePlan({ ...lifts, poured: pouredOf(states, ({ batch }) => list.find(({ number }) => number === batch) ?? null) }).batches;
  expect(left[0]!.waits).toMatchObject([{ on: list[second - 1]!.number, reason: 'stiff', least_s: list[second]!.waits[0]!.least_s }]);
});

test.each(BREAKS)('%s leaves ways on, each with what it comes to, the plan’s own figures', (what) => {
  const left: PlanInput = { ...job, poured: pouredOf(poured('1'), of) };
  const { ways, left: count } = waysOn(left, what);
  expect(count).toBe(computePlan(left).batches.length);
  expect(ways.length).toBeGreaterThanOrEqual(2);
  expect(ways.length).toBeLessThanOrEqual(4);
  for (const way of ways) {
    expect([way.batches, way.work_s, way.cost_minor].every((figure) => Number.isFinite(figure) && figure >= 0)).toBe(true);
    expect(way.chanceLost).toBeGreaterThanOrEqual(0);
    expect(way.chanceLost).toBeLessThanOrEqual(1);
    if (way.change) expect(way.batches).toBe(computePlan(inputOn(left, way.change), { ranked: 'chosen' }).batches.length);
  }
});

test('a smaller vessel makes more batches; a hand fewer takes longer; a stop ends at the end of a layer', () => {
  const left: PlanInput = { ...job, poured: pouredOf(poured('1'), of) };
  const [smaller] = waysOn(left, 'vessel').ways;
  expect(smaller).toMatchObject({ code: 'smaller', change: { pail_m3: expect.any(Number) } });
  expect(smaller!.batches).toBeGreaterThan(computePlan(left).batches.length);
  const open = computePlan(left).batches[0]!;
  const stop = waysOn(left, 'vessel').ways.find(({ code }) => code === 'stop')!;
  const end = computePlan(left).batches[stop.cleanEnd!.batches - 1]!;
  expect(end.serves.find(({ id }) => id === open.serves[0]!.id)).toMatchObject({ part: 'rest' });
  const fresh = waysOn(job, 'ranOut').ways.find(({ code }) => code === 'stop')!;
  expect(fresh.cleanEnd).toEqual({ batches: 0, findingId: null });
  const { ways: alone } = waysOn({ ...left, crew: { ...left.crew, hands: 1 } }, 'fewer');
  expect(alone.map(({ code }) => code)).toEqual(['stop', 'fetch']);
  const firm = { ...left.firm, workRates: { fill: 0.001 } };
  expect(inputOn({ ...left, firm }, { pace: 0.5 }).crew.rates).toEqual({ fill: 0.0005 });
  expect(inputOn({ ...left, firm, crew: { ...left.crew, rates: { fill: 0.004 } } }, { pace: 0.5 }).crew.rates).toEqual({ fill: 0.002 });
  const slow = waysOn(left, 'slow').ways[0]!;
  expect(slow.work_s).toBeGreaterThan(waysOn(left, 'more').ways.at(-1)!.work_s);
  const rain = waysOn(left, 'rain', { rain_s: 60 }).ways.find(({ code }) => code === 'hurry')!;
  expect(rain.batches).toBe(0);
});

test('what follows a batch: the next lift inside its wait, feet after the last of a layer, nothing twice', () => {
  const lifts: PlanInput = { ...job, findings: [patch('f', 0.09)], treatments: [job.treatments[0]!] };
  const plan = computePlan(lifts);
  const follows = plan.batches.map((batch) => followsOf(plan, lifts, batch));
  const last = plan.batches.findIndex(({ serves }) => serves[0]!.lift === 1 && serves[0]!.part !== 'first' && serves[0]!.part !== 'more');
  expect(follows[last]!.find(({ code }) => code === 'nextLift')!.after_s).toBeGreaterThan(0);
  expect(follows.at(-1)!.map(({ code }) => code)).toContain('foot');
  for (const of of follows) expect(new Set(of.map(({ code }) => code)).size).toBe(of.length);
});

test('a step that is formed is stripped before the next is set on it, and says when from its own start', () => {
  const concrete = sheetOf('rapidConcrete');
  const flight = {
    id: 'f',
    elementId: 'e',
    label: 'A',
    kind: 'step',
    width: typed(1.1),
    going: typed(0.28),
    rise: typed(0.17),
    steps: 2,
    stays_m3: 0,
    pitch: 0.015,
    propAngle_rad: 0.8,
  } as FindingInput;
  const steps: PlanInput = {
    ...job,
    elements: [{ ...element, kind: 'step', exposures: [], opens: null, thickness: typed(0.3), moisture: 'damp' }],
    findings: [flight],
    treatments: [{ findingId: 'f', sheetId: concrete.id }],
  };
  const plan = computePlan(steps);
  const ended = plan.batches.filter(({ serves }) => serves.some(({ part, role }) => role === 'fill' && (part === 'whole' || part === 'rest')));
  expect(new Set(ended.map(({ serves }) => serves[0]!.step))).toEqual(new Set([1, 2]));
  for (const batch of ended) {
    const strip = followsOf(plan, steps, batch).find(({ code }) => code === 'strip')!;
    expect(strip.after_s).toBeCloseTo(batch.milestones.find(({ name }) => name === 'strip')!.after_s, 9);
  }
});
