import fc from 'fast-check';
import { chosenOf, crack, finding, input, jobWith, sheetOf, typed } from '../testing/job';
import { problemOf } from '../testing/problemOf';
import type { HouseMethod } from '../choose';
import type { CrackInput, FindingInput } from '../survey';
import { rectangle } from '../takeoff';
import type { Sheet } from '../shelf';
import { aidOf, asksOf, computePlan, filledTakeOff, kindOf, questionFor, shotsFor, takeOffOf, type TakeOff, prepared } from './index';

const found = { id: 'f', elementId: 'e', label: 'A' };
const GROOVE: FindingInput = { ...found, kind: 'groove', line: crack.line, width: typed(0.01), depth: typed(0.025), blade_m: 0.006, moves: null };
const STEP: FindingInput = {
  ...found,
  kind: 'step',
  width: typed(1.2),
  going: typed(0.3),
  rise: typed(0.17),
  steps: 1,
  stays_m3: 0.04,
  pitch: 0.02,
  propAngle_rad: Math.PI / 3,
};
const COUNTER: FindingInput = {
  ...found,
  kind: 'counter',
  outline: rectangle({ length_m: 3, width_m: 0.6 }),
  cutouts_m2: [0.2],
  thickness: typed(0.04),
  edges: [{ length_m: 3, across_m: 0.04, down_m: 0.05 }],
  stock_m: 2.44,
  kerf_m: 0.003,
};
const SKIM: FindingInput = { ...found, kind: 'skim', outline: rectangle({ length_m: 2, width_m: 1 }), thickness: typed(0.003), profile: 5 };
const WEDGE: FindingInput = { ...found, kind: 'wedge', run: typed(0.6), rise: typed(0.02), width: typed(1.5) };
const VOID: FindingInput = { ...found, kind: 'void', outline: rectangle({ length_m: 0.4, width_m: 0.3 }), deepest: typed(0.04), shape: 'pan' };
const EDGE: FindingInput = { ...found, kind: 'edge', section: 'triangle', length: typed(1.2), across: typed(0.05), down: typed(0.04) };
const READ: FindingInput = {
  ...finding,
  readings: [
    [0.3, 0.3, 0.02],
    [0.9, 0.3, 0.03],
    [0.6, 0.6, 0.025],
    [0.3, 0.7, 0.02],
  ],
};

test.each<[string, FindingInput, number]>([
  ['crack', crack, 3 * (0.005 * 0.006 + 0.42 * 0.005 * 0.03 + (2 / 3) * 0.0015 * (0.005 + 0.006)) * 1.1],
  ['groove', GROOVE, 3 * 0.01 * 0.025],
  ['edge', EDGE, 0.0012],
  ['step', STEP, 1.2 * 0.3 * 0.17 - 0.04 + (0.02 * 0.09 * 1.2) / 2],
  ['skim', SKIM, 2 * 0.0039],
  ['wedge', WEDGE, (0.6 * 0.02 * 1.5) / 2],
  ['counter', COUNTER, 1.6 * 0.04 + 3 * 0.04 * 0.05],
  ['void', VOID, 0.12 * 0.04 * 0.8 * 1.1],
])('a %s measures what its sizes say', (_kind, finding, volume_m3) => {
  const { volume, area_m2, mean_m, perimeter_m } = takeOffOf(finding);
  expect(volume.p50).toBeCloseTo(volume_m3, 9);
  expect(mean_m * area_m2).toBeCloseTo(volume_m3, 9);
  expect(volume.p10).toBeLessThan(volume.p50);
  expect(perimeter_m).toBeGreaterThan(0);
});

test('what each kind adds: sand, passes and sealant, thrust and props, weight and strips, hand portions', () => {
  expect(takeOffOf(crack).more['sand_m3']).toBeCloseTo(3 * 0.005 * 0.044, 9);
  expect(takeOffOf(crack, { soakDepth_m: 0 }).volume.p50).toBeLessThan(takeOffOf(crack).volume.p50);
  expect(takeOffOf(GROOVE).more).toEqual({ width_m: 0.01, passes: 2 });
  const moving = takeOffOf({ ...GROOVE, moves: { between_m: 3, range_K: 50, movementClass: 0.25 } } as FindingInput);
  expect(moving.more).toEqual({ width_m: 0.01, passes: 2, least_m: expect.closeTo(0.006, 9), rod_m: 0.0125, sealant_m: 0.005 });
  expect(moving.volume.p50).toBeCloseTo(3 * 0.01 * 0.005, 12);
  const thrust_N = (2300 * 9.80665 * 0.17 * 0.17 * 1.2) / 2;
  expect(takeOffOf(STEP).more).toEqual({
    angle_rad: expect.closeTo(Math.atan(0.17 / 0.3), 9),
    slope_m: expect.closeTo(Math.hypot(0.17, 0.3), 9),
    pressure_Pa: expect.closeTo(2300 * 9.80665 * 0.17, 6),
    thrust_N: expect.closeTo(thrust_N, 6),
    holdDown_kg: expect.closeTo((1.5 * thrust_N) / 9.80665 / 0.4, 6),
    prop_N: expect.closeTo(thrust_N * 2, 6),
  });
  // Two sides of 3 m are each a whole stock and a piece; the two short sides and the pieces share two more.
  expect(takeOffOf(COUNTER).more).toMatchObject({ edges_m3: expect.closeTo(0.006, 9) });
  const { strips } = takeOffOf(COUNTER);
  expect(strips).toHaveLength(3);
  // Every metre of the form is cut from some stock, and no stock is longer than it is.
  expect(strips.flat().reduce((sum, piece) => sum + piece, 0)).toBeCloseTo(7.2, 9);
  for (const stock of strips) expect(stock.reduce((sum, piece) => sum + piece, 0) + (stock.length - 1) * 0.003).toBeLessThanOrEqual(2.44 + 1e-9);
  const three = takeOffOf({ ...STEP, steps: 3 } as FindingInput);
  expect(three.volume.p50).toBeCloseTo(3 * takeOffOf(STEP).volume.p50, 9);
  expect(three.more['slope_m']).toBeCloseTo(3 * Math.hypot(0.17, 0.3), 9);
  expect(three.more['thrust_N']).toBe(takeOffOf(STEP).more['thrust_N']);
  expect(takeOffOf(VOID).more['portions']).toBe(Math.ceil((0.12 * 0.04 * 0.8 * 1.1) / 0.00035));
});

test('four readings replace the shape: a range of their own, never under the cut depth', () => {
  const read = takeOffOf(READ);
  expect(read.volume.p50).not.toBeCloseTo(takeOffOf(finding).volume.p50, 4);
  expect(read.sigma).toBeLessThan(takeOffOf(finding).sigma);
  expect(read.deepest_m).toBe(0.038);
  expect(takeOffOf({ ...READ, cutDepth_m: 0.03 }).volume.p50).toBeGreaterThan(read.volume.p50);
  expect(takeOffOf({ ...READ, edge: 'feathered' }).volume.p50).toBeLessThan(read.volume.p50);
  expect(takeOffOf({ ...finding, deepest: { ...typed(0.038), spread: 1 } }).sigma).toBeCloseTo(Math.log(2) / 1.645, 12);
  expect(takeOffOf({ ...SKIM, thickness: { ...typed(0.003), spread: 0.5 } }).sigma).toBeGreaterThan(takeOffOf(SKIM).sigma);
});

test('a crack is squeezed in shots: the life of a shot is what leaves the bottle in it', () => {
  const resin = sheetOf('crackResin');
  const { shots, batches, ticket, window, quantities } = chosenOf(jobWith(crack, resin));
  expect(shots!.limit).toBe('life');
  // Even shots of what is needed: none larger than leaves the bottle in its safe life, and one fewer would be.
  expect(5e-6 * (shots!.safe_s - resin.mixing.time_s)).toBeGreaterThan(shots!.shot_m3);

  expect(batches).toMatchObject({ count: shots!.count, limit: 'life', share: expect.closeTo((shots!.shot_m3 * 1100) / 1.2, 9) });
  expect(shots!.count * shots!.shot_m3 * 1100).toBeCloseTo(quantities.powder.p50, 9);
  expect(ticket.lines.map(({ code }) => code)).toEqual(['part', 'part', 'mix', 'sand']);
  expect(shots!.marks_m3.at(-1)).toBeCloseTo(shots!.shot_m3, 12);
  expect(shots!.masses_kg.reduce((a, b) => a + b, 0)).toBeCloseTo(shots!.shot_m3 * 1100, 9);
  // Its sheet allows one and a half parts of sand to one of liquid; without that limit the sand takes what the liquid wets.
  expect(shots!.sandMost_kg).toBeCloseTo(1.5 * shots!.shot_m3 * 1550, 9);
  const silent = chosenOf(jobWith(crack, { ...resin, resin: { ...resin.resin!, sandLimit: null } })).shots!;
  expect(silent.sandMost_kg).toBeCloseTo((silent.shot_m3 / 0.42) * 0.58 * 2650, 9);
  expect(window.question.thickness_m).toBeCloseTo(0.0025, 9);
  expect(window.window.fits).toBe(true);
  expect(window.basis.filmShare).toBe(2);
  expect(window.basis.drying).toBeNull();
});

test('at the reference temperature the shot follows from the sheet by hand, and a bottle may bind first', () => {
  const told = { densities_kg_m3: [1050, 1200], byMass: [1, 1], bottle_m3: 0.00075, squeeze_m3_s: 5e-6, sandLimit: 1.2, filmShare: 3 };
  const resin: Sheet = { ...sheetOf('crackResin'), resin: told, flow: { least_s: 400, most_s: 400 } };
  const at21 = { ...input.conditions, air_C: typed(21), slab_C: typed(21), powder_C: typed(21), sun: false };
  const question = questionFor({
    input: prepared(jobWith(crack, resin, { conditions: at21 })),
    element: input.elements[0]!,
    finding: crack,
    takeOff: takeOffOf(crack),
    sheet: resin,
    share: 1,
  });
  const shots = shotsFor({ ...question, spread_K: {} }, 1)!;
  const mass_kg = shots.shot_m3 * 1125;
  // The mixing of a whole pack warms it; what a shot's own mixing does is already in the sheet's life.
  expect(shots.safe_s).toBeCloseTo(400 * Math.exp(-1.2815515655446004 * Math.hypot(0.25, 0.2)) * (mass_kg / 0.3) ** -0.25, 0);
  expect(shots.shot_m3 * shots.count).toBeCloseTo(1, 9);
  expect(shots.partsDifference).toBeCloseTo(0.5 / (1050 / 2250) - 1, 9);
  expect(shots.sandMost_kg).toBeCloseTo(1.2 * shots.shot_m3 * 1550, 9);
  expect(computePlan(jobWith(crack, resin)).warnings.map(({ code }) => code)).toContain('parts.differ');
  const small = { ...resin, resin: { ...told, byMass: null, bottle_m3: 0.0001 } };
  expect(shotsFor({ ...question, sheet: small }, 0.001)).toMatchObject({ limit: 'bottle', count: 10, partsDifference: 0 });
  const slowly = { ...resin, mixing: { ...resin.mixing, time_s: 900 } };
  expect(shotsFor({ ...question, sheet: slowly }, 0.001)).toBeNull();
  const none = computePlan(jobWith(crack, slowly));
  expect(none.findings[0]!.chosen!.batches).toMatchObject({ share: null, count: 0, limit: 'life' });
  expect(none.warnings.map(({ code }) => code)).toContain('batch.noneFits');
  expect(problemOf(() => shotsFor({ ...question, sheet: sheetOf('sandedRapid') }, 0.001)).code).toBe('noParts');
});

test('a step’s fill warms itself, a wedge runs thin at its toe, a skim’s batches meet wet or say so', () => {
  expect(chosenOf(jobWith(STEP, sheetOf('rapidConcrete'))).window.peak!.rise_K).toBeGreaterThan(10);
  expect(chosenOf(jobWith(SKIM, sheetOf('broomOverlay'))).window.peak).toBeNull();
  const wedge = computePlan(jobWith(WEDGE, sheetOf('sandedRapid')));
  expect(wedge.findings[0]!.chosen!.thinRun_m).toBeCloseTo((0.6 * 0.005) / 0.02, 9);
  expect(wedge.warnings.map(({ code }) => code)).toContain('wedge.thin');
  const slow = { ...input.crew, hands: 1, rate_m2_s: 0.012, finish_s: 0 };
  const large: FindingInput = { ...SKIM, outline: rectangle({ length_m: 6, width_m: 1 }) };
  // One pair of hands mixes and places in turn: the next batch comes too late before this one is placed too late.
  const limits = Array.from({ length: 24 }, (_, i) => 400 + i * 20).map((life_s) => {
    const sheet: Sheet = { ...sheetOf('fineRapid'), flow: { least_s: life_s, most_s: life_s }, finish: { least_s: 2400, most_s: 2400 } };
    return chosenOf(jobWith(large, sheet, { crew: slow })).batches.grid.find(({ share }) => share === 0.5)!.limit;
  });
  expect([...new Set(limits)]).toEqual(['wetEdge', null]);
  expect(
    chosenOf(jobWith({ ...large, outline: rectangle({ length_m: 1, width_m: 0.2 }) } as FindingInput, sheetOf('fineRapid'), { crew: slow })).batches.count,
  ).toBe(1);
  const hot = { ...input.conditions, air_C: typed(38), slab_C: typed(45), powder_C: typed(38) };
  const thick = computePlan(jobWith({ ...STEP, rise: typed(0.3) } as FindingInput, sheetOf('rapidConcrete'), { conditions: hot }));
  expect(thick.warnings.map(({ code }) => code)).toContain('fill.hot');
});

test.each([1, 3, 6, 10])('a skim over a profile of %i counts its texture once: a batch covers its share of the area', (profile) => {
  const job = jobWith({ ...SKIM, profile } as FindingInput, sheetOf('broomOverlay'));
  const [{ takeOff, chosen }] = computePlan(job).findings as [ReturnType<typeof computePlan>['findings'][number]];
  const { area_m2, volume_m3 } = chosen!.window.batch;
  expect(area_m2 / volume_m3).toBeCloseTo(takeOff.area_m2 / takeOff.volume.p50, 6);
});

const CONE: FindingInput = {
  ...found,
  kind: 'spall',
  outline: rectangle({ length_m: 0.6, width_m: 0.4 }),
  deepest: typed(0.036),
  shape: 'cone',
  edge: 'cut',
  readings: [],
};
const deep = (): Sheet => ({ ...sheetOf('sandedRapid'), thickness: { ...sheetOf('sandedRapid').thickness, least_m: 0.035, most_m: 0.1, liftMost_m: 0.1 } });

test.each<[string, FindingInput, Partial<HouseMethod>]>([
  ['a cone', CONE, {}],
  ['one found feathered in a house of shoulders', { ...CONE, edge: 'feathered' } as FindingInput, { edge: 'shoulder' }],
  ['one with a keyed edge', CONE, { edge: 'keyed' }],
  [
    'one with depths read in it',
    {
      ...CONE,
      readings: [
        [0.3, 0.2, 0.036],
        [0.1, 0.1, 0.01],
        [0.5, 0.3, 0.012],
        [0.2, 0.3, 0.02],
      ],
    } as FindingInput,
    {},
  ],
])('%s under a sheet of at least 35 mm is cut, filled, ordered, mixed and carried away to 35 mm everywhere', (_, spall, house) => {
  const job = { ...jobWith(spall, deep()), house };
  const plan = computePlan(job);
  const [{ takeOff, chosen }] = plan.findings as [(typeof plan.findings)[number]];
  const least_m3 = 0.6 * 0.4 * 0.035;
  expect(takeOff.volume.p50).toBeLessThan(least_m3 * 0.8);
  const { powder, yield_m3_kg } = chosen!.quantities;
  expect(powder.p50 * yield_m3_kg).toBeGreaterThan(least_m3);
  expect(powder.p50 * yield_m3_kg).toBeLessThan(least_m3 * 1.4);
  expect(chosen!.debris!.mass_kg).toBeGreaterThanOrEqual(2300 * least_m3 * (1 - 1e-9));
  expect(chosen!.batches.count * chosen!.window.batch.volume_m3).toBeGreaterThanOrEqual(least_m3);
});

const filled = (slot: CrackInput, sheet: Sheet, house: Partial<HouseMethod> = {}) =>
  filledTakeOff({ input: prepared({ ...input, house }), finding: slot, takeOff: takeOffOf(slot), sheet });
const CROWN = (2 / 3) * 0.0015 * (0.005 + 0.006);

test.each<[Partial<HouseMethod>, string, number]>([
  // A slot of 5 mm by 50 mm, three metres, a tenth of it running away.
  [{ cracks: 'bedAndCap' }, 'crackResin', 3 * (0.005 * 0.006 + 0.42 * 0.005 * 0.03 + CROWN) * 1.1],
  [{ cracks: 'neat' }, 'crackResin', 3 * (0.005 * 0.05 + CROWN) * 1.1],
  [{ renderCracks: 'rub' }, 'renderRepair', 3 * 0.005 * 0.05 * 1.1],
  [{}, 'jointSealant', 3 * 0.012 * 0.006],
])('a crack filled by %j takes what its way takes', (house, sheet, volume_m3) => {
  const { volume, mean_m, area_m2 } = filled(crack, sheetOf(sheet), house);
  expect(volume.p50).toBeCloseTo(volume_m3, 9);
  expect(volume.p10 / volume.p50).toBeCloseTo(takeOffOf(crack).volume.p10 / takeOffOf(crack).volume.p50, 9);
  if (!house.cracks || house.cracks !== 'bedAndCap') expect(mean_m * area_m2).toBeCloseTo(volume_m3, 9);
});

test('sand takes its share of a resin: as much as its sheet allows, never more than the resin wets', () => {
  const resin = sheetOf('crackResin');
  const limited = (sandLimit: number | null): Sheet => ({ ...resin, resin: { ...resin.resin!, sandLimit } });
  const neat = filled(crack, resin, { cracks: 'neat' });
  const half = filled(crack, limited(0.5), { cracks: 'sandInResin' });
  // Liquid and grains together fill what the neat resin fills.
  const whole = (takeOff: TakeOff): number => takeOff.volume.p50 + takeOff.more['sand_kg']! / 2650;
  expect(whole(half)).toBeCloseTo(neat.volume.p50, 9);
  expect(half.more['sand_m3']! / half.volume.p50).toBeCloseTo(0.5, 9);
  const most = filled(crack, limited(99), { cracks: 'filler' });
  expect(most.volume.p50 / (most.more['sand_kg']! / (2650 * 0.58))).toBeCloseTo(0.42, 9);
  expect(filled(crack, limited(null), { cracks: 'sandInResin' }).volume.p50).toBeCloseTo(neat.volume.p50, 9);
  const { sand_kg } = chosenOf(jobWith({ ...crack, widths: [[0, 0.008]] }, resin));
  expect(sand_kg).toBeCloseTo(3 * 0.008 * 0.044 * 2650 * 0.58, 6);
});

test('a groove is opened as wide as three grains, twice as deep, and no deeper than the crack', () => {
  const mortar = sheetOf('renderRepair');
  const wide = 3 * mortar.grain_m;
  const hairline: CrackInput = { ...crack, widths: [[0, 0.001]], profile: 'vee', runaway: 0 };
  expect(filled(hairline, mortar, { renderCracks: 'open' }).volume.p50).toBeCloseTo(3 * wide * 2 * wide, 9);
  const shallow = filled({ ...hairline, depth: typed(wide) }, mortar, { renderCracks: 'open' });
  expect(shallow.volume.p50).toBeCloseTo(3 * wide * wide, 9);
  expect(shallow.more['width_m']).toBeCloseTo(wide, 12);
});

test('a wider, deeper or longer crack never takes less of anything, whatever the way', () => {
  const way = fc.constantFrom<[string, Partial<HouseMethod>]>(
    ['crackResin', { cracks: 'neat' }],
    ['crackResin', { cracks: 'sandInResin' }],
    ['crackResin', { cracks: 'bedAndCap' }],
    ['renderRepair', { renderCracks: 'rub' }],
    ['renderRepair', { renderCracks: 'open' }],
    ['jointSealant', {}],
  );
  const size = fc.record({ width: fc.double({ min: 0.0005, max: 0.02, noNaN: true }), depth: fc.double({ min: 0.01, max: 0.1, noNaN: true }) });
  fc.assert(
    fc.property(
      way,
      size,
      fc.constantFrom('slot' as const, 'vee' as const),
      fc.double({ min: 1, max: 2, noNaN: true }),
      ([sheet, house], { width, depth }, profile, by) => {
        const of = (w: number, d: number, runaway = 0) => {
          const { volume, more } = filled({ ...crack, profile, widths: [[0, w]], depth: typed(d), runaway }, sheetOf(sheet), house);
          return volume.p50 + (more['sand_kg'] ?? 0) / 2650;
        };
        const base = of(width, depth);
        const slack = base * 1e-9;
        expect(of(width * by, depth)).toBeGreaterThanOrEqual(base - slack);
        expect(of(width, depth * by)).toBeGreaterThanOrEqual(base - slack);
        if (sheet !== 'jointSealant') expect(of(width, depth, 0.3)).toBeGreaterThanOrEqual(base - slack);
      },
    ),
    { seed: 5, numRuns: 120 },
  );
});

test.each<[FindingInput['kind'], FindingInput]>([
  ['spall', READ],
  ['crack', crack],
  ['groove', GROOVE],
  ['edge', EDGE],
  ['step', STEP],
  ['skim', SKIM],
  ['wedge', WEDGE],
  ['counter', COUNTER],
  ['void', VOID],
])('a %s drawn twice as long measures more of the same, and asks the same', (_kind, found) => {
  const area = 'outline' in found ? found.outline : null;
  const line = [
    [0, 0],
    [2, 0],
  ] as const;
  const points = (scale: number) => (area ?? line).map(([x, y]): [number, number] => [x * scale, y]);
  const [before, after] = [1, 2].map((scale) => kindOf(found).movedTo(found, points(scale))) as [FindingInput, FindingInput];
  const [once, twice] = [takeOffOf(before), takeOffOf(after)];
  expect(twice.area_m2).toBeGreaterThan(1.5 * once.area_m2);
  expect(twice.volume.p50).toBeGreaterThan(1.2 * once.volume.p50);
  expect(asksOf(after)).toEqual(asksOf(before));
});

test('a reading that is outside where a spall is drawn anew does not count; one without readings has none', () => {
  const aside = rectangle({ length_m: 0.5, width_m: 0.5 });
  expect(kindOf(READ).movedTo(READ, aside)).toMatchObject({ outline: aside, readings: [[0.3, 0.3, 0.02]] });
  expect(kindOf(finding).movedTo(finding, aside)).toMatchObject({ readings: [] });
});

test('what a job file names and does not hold is refused by its id', () => {
  const aids = { bond: 'nowhere' };
  const treatments = input.treatments.map((treatment) => ({ ...treatment, aids }));
  expect(problemOf(() => computePlan({ ...input, treatments }))).toMatchObject({ code: 'unknownAid', figures: { id: 'nowhere' } });
  expect(problemOf(() => computePlan({ ...input, treatments: input.treatments.map((treatment) => ({ ...treatment, sheetId: 'nowhere' })) })).code).toBe(
    'unknownSheet',
  );
  expect([aidOf({ sheets: [] }, 'a'), aidOf({ sheets: [], aids: [] }, null)]).toEqual([undefined, undefined]);
});
