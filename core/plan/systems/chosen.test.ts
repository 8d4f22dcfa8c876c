import { catalogue } from '../../shelf/catalogue';
import { chosenOf, element, finding, input, jobWith, sheetOf, typed } from '../../testing/job';
import { problemOf } from '../../testing/problemOf';
import type { Sheet } from '../../shelf';
import { computePlan, hashOf, ordersOf, ticketOf, windowFor, waterRatioOf, prepared, yieldDifference, yieldOf, type PlanInput, hashesOf } from '../index';

test('the ticket in the order it goes in: water, ice, retarder or acid, colour, powder, stone, fibre last', () => {
  const sheet: Sheet = { ...sheetOf('sandedRapid'), extension: { most: 0.6, grain_m: 0.008 } };
  const batch = {
    ...input.batch,
    retarderDose: 0.5,
    iceShare: 0.25,
    colourPacks: 2,
    stone: { ratio: 0.4, moisture: 0.03, absorption: 0.01 },
    fibre: { kind: 'polypropylene' as const, dose_kg_m3: 0.9, bag_kg: 0.45 },
  };
  const { ticket, extended, fibre, batches } = chosenOf(jobWith(finding, sheet, { batch }));
  expect(ticket.lines.map(({ code }) => code)).toEqual(['water', 'ice', 'retarder', 'colour', 'powder', 'stone', 'fibre', 'mix']);
  const powder_kg = batches.share! * 22.7;
  const dose_kg = powder_kg * 0.155 - ((0.4 * powder_kg) / 1.01) * 0.02;
  expect(ticket.lines[0]).toMatchObject({ volume_m3: expect.closeTo((dose_kg * 0.75) / 1000, 9) });
  expect(ticket.lines[1]).toMatchObject({ mass_kg: expect.closeTo(dose_kg * 0.25, 9) });
  expect(ticket.lines[6]).toMatchObject({ mass_kg: expect.closeTo(0.9 * extended!.volume_m3, 9) });
  expect(fibre!.bags).toBe(1);
  const over = computePlan(jobWith(finding, sheet, { batch: { ...batch, stone: { ...batch.stone, ratio: 0.9 } } }));
  expect(over.findings[0]!.chosen!.extended).toBeNull();
  expect(over.warnings.map(({ code }) => code)).toContain('stone.over');
  const citric: Sheet = {
    ...sheet,
    retarderUnit: 'citric',
    retarder: [
      [0, 1],
      [0.006, 2],
    ],
  };
  const acid = ticketOf({
    sheet: citric,
    batch: { retarderDose: 0.003 },
    task: 'spread',
    share: 0.5,
    volume_m3: 0.006,
    liquid: { water_kg: 1.6, ice_kg: 0, latex_m3: 0 },
  });
  expect(acid.lines[1]).toEqual({ code: 'citric', mass_kg: expect.closeTo(0.003 * 11.35, 9), volume_m3: expect.closeTo((0.003 * 11.35) / 900, 9) });
  const wet: Sheet = { ...sheet, water: { least: 0.13, most: 0.15, byTask: { spread: 0.155 } } };
  // Never more than the band, and such a sheet is refused with nothing ordered.
  expect(
    ticketOf({ sheet: wet, batch: { retarderDose: 0 }, task: 'spread', share: 0.5, volume_m3: 0.006, liquid: { water_kg: 1.6, ice_kg: 0, latex_m3: 0 } })
      .waterRatio,
  ).toBe(0.15);
  const outside = computePlan(jobWith(finding, wet));
  expect(outside.findings[0]!.chosen!.refused.map(({ code }) => code)).toEqual(['water.outside']);
  expect([outside.orders, outside.aids]).toEqual([[], []]);
});

test.each<[string, Partial<PlanInput>, string]>([
  ['water out of a ditch in winter', { conditions: { ...input.conditions, water_C: typed(1) } }, 'water.cold'],
  ['water that sets it in the pail', { conditions: { ...input.conditions, water_C: typed(48) } }, 'water.hot'],
  [
    'more ice than a cold powder bears',
    { conditions: { ...input.conditions, powder_C: typed(8), water_C: typed(4) }, batch: { ...input.batch, iceShare: 0.9 } },
    'mix.cold',
  ],
])('%s is said and refused, and nothing is ordered', (_, change, code) => {
  const plan = computePlan({ ...input, ...change });
  expect(plan.findings[0]!.chosen!.refused.map((reason) => reason.code)).toContain(code);
  expect(plan.orders).toEqual([]);
  expect(plan.warnings.map((warning) => warning.code)).toContain('choice.refused');
});

test('one product for two findings is bought once, stock first, and as surely as being short costs', () => {
  const second = { ...finding, id: 'g', label: 'B' };
  const sheetId = sheetOf('sandedRapid').id;
  const two: PlanInput = {
    ...input,
    firm: { ...input.firm, shortCost_minor: 9000 },
    findings: [finding, second],
    treatments: [
      { findingId: 'f', sheetId },
      { findingId: 'g', sheetId },
    ],
    stock: [{ sheetId, mass_kg: 11.3 }],
  };
  const plan = computePlan(two);
  const [order] = plan.orders;
  expect(plan.orders).toHaveLength(1);
  const parts = plan.findings.map(({ chosen }) => chosen!.quantities);
  expect(order!.powder.p50).toBeCloseTo(2 * parts[0]!.powder.p50, 9);
  expect(order!.chosen.need_kg).toBeCloseTo(parts[0]!.chosen.need_kg + parts[1]!.chosen.need_kg, 6);
  expect(order!.chosen.fromStock_kg).toBe(11.3);
  expect(order!.chosen.bought_kg + 11.3).toBeGreaterThanOrEqual(order!.chosen.need_kg);
  expect(order!.chosen.cost_minor).toBeLessThanOrEqual(parts[0]!.chosen.cost_minor + parts[1]!.chosen.cost_minor);
  expect(order!.best!.quantile).toBeCloseTo(9000 / (9000 + 2350), 9);
  expect(ordersOf(two, [])).toEqual([]);
  const dated = { ...two, site: site(), stock: [{ sheetId, mass_kg: 11.3, useBy: '2026-07-01' }] };
  expect(computePlan(dated).orders[0]!.chosen.fromStock_kg).toBe(0);
});

const site = (from = '2026-07-02T04:00:00.000Z', air_C = 24) => ({
  latitude_deg: 43,
  longitude_deg: -76,
  firstWater: '2026-07-03T14:00:00.000Z',
  weather: {
    from,
    hours: Array.from({ length: 48 }, (_, i) => ({
      air_C: air_C + 6 * Math.cos(((i - 16) / 12) * Math.PI),
      humidity: 0.4,
      wind10_ms: 3,
      cloud: 0.1,
      irradiance_Wm2: null,
    })),
  },
});

test('with a site the day takes over what nobody read, and a reading holds at its hour', () => {
  const assumed = { value: 21, source: 'assumed' } as const;
  const unread = {
    ...input,
    site: site(),
    conditions: { ...input.conditions, air_C: assumed, slab_C: assumed, humidity: { ...assumed, value: 0.5 }, wind_ms: { ...assumed, value: 1.5 } },
  };
  const { question } = chosenOf(unread).window;
  expect(question.slab_C).toBeGreaterThan(question.air_C);
  expect(question.humidity).toBeCloseTo(0.4, 9);
  expect(question.wind_ms).toBeCloseTo(1.5, 9);
  const read = chosenOf({ ...input, site: site() }).window.question;
  expect(read.slab_C).toBeCloseTo(31, 9);
  expect(read.air_C).toBeCloseTo(26, 9);
  expect(read.humidity).toBe(0.5);
  const earlier = { ...input.conditions, slab_C: { ...typed(31), at: '2026-07-03T08:00:00.000Z' } };
  expect(chosenOf({ ...input, site: site(), conditions: earlier }).window.question.slab_C).toBeGreaterThan(31);
  const shaded = { ...unread, elements: [{ ...element, sun: { exposure: 'shade' as const, faces_deg: 180, absorptivity: 0.4 } }] };
  expect(chosenOf(shaded).window.question.slab_C).toBeLessThan(question.slab_C);
  expect(problemOf(() => computePlan({ ...input, site: { ...site(), firstWater: 'noon' } })).code).toBe('noInstant');
  const hashes = hashesOf({ ...input, site: site() });
  expect({ ...hashes, day: '' }).toEqual({ ...hashesOf(input), day: '' });
});

test('the crew’s own batches replace the sheet’s life and steady it, hold the form sooner or later, and leave strength alone', () => {
  const sheet = sheetOf('sandedRapid');
  const entries = Array.from({ length: 8 }, () => ({ temperature_C: 21, retarder: 1, life_s: 560 }));
  const jobFile: PlanInput = {
    ...input,
    record: { lives: [{ sheetId: sheet.id, entries }], figures: { rate: [{ value: 0.003 }], waste: [{ value: 0.2 }], skinShare: [{ value: 0.06 }] } },
  };
  // With a record of its own a crew fills flush; here both do, so that only the waste differs.
  const flush = { house: { level: 'flush' } } as const;
  const [plain, theirs] = [chosenOf({ ...input, ...flush }), chosenOf({ ...jobFile, ...flush })];
  expect(theirs.record).toMatchObject({ entries: 8, sheet_s: 720 });
  expect(theirs.record!.yours.p50).toBeLessThan(600);
  expect(theirs.window.safeShare).toBeGreaterThan(plain.window.safeShare);
  const at = (chosen: typeof plain, name: string): number => chosen.window.milestones.find((milestone) => milestone.name === name)!.after_s;
  expect(at(theirs, 'initial')).toBeLessThan(at(plain, 'initial'));
  expect(at(theirs, 'vehicles') / at(plain, 'vehicles')).toBeCloseTo(1, 2);
  expect(theirs.quantities.powder.p50).toBeGreaterThan(plain.quantities.powder.p50 * 1.02);
  expect(theirs.window.question.skinShare).toBeLessThan(0.1);
  const taken = prepared(jobFile);
  expect(taken.crew.rate_m2_s).toBeGreaterThan(input.crew.rate_m2_s);
  expect(prepared(taken)).toBe(taken);
  expect(plain.record).toBeNull();
});

test('what is not known of a temperature widens the life’s range and stops earlier; the chance grows as time runs out', () => {
  const vague = { ...input, conditions: { ...input.conditions, slab_C: { ...typed(31), spread: 5 } } };
  const [sure, unsure] = [chosenOf(input).window, chosenOf(vague).window];
  expect(unsure.window.flowLife.p50).toBeCloseTo(sure.window.flowLife.p50, 6);
  expect(unsure.window.flowLife.p90).toBeGreaterThan(sure.window.flowLife.p90);
  expect(unsure.safeShare).toBeLessThan(sure.safeShare);
  const { question } = sure;
  const sheet = sheetOf('sandedRapid');
  const slow = windowFor({ ...question, sheet, crew: { ...question.crew, rate_m2_s: question.crew.rate_m2_s / 4 } });
  expect(slow.chanceLost).toBeGreaterThan(sure.chanceLost);
  // Needed exactly when it must be, the chance is the accepted one.
  const still = { ...question, sheet, follows: false, crew: { ...question.crew, finish_s: 0 } };
  const placedIn = (place_s: number) => windowFor({ ...still, place_m3_s: sure.batch.volume_m3 / place_s / 1.7 });
  let [least, most] = [60, 3000];
  while (most - least > 0.1) {
    const middle = (least + most) / 2;
    if (placedIn(middle).window.fits) least = middle;
    else most = middle;
  }
  expect(placedIn(least).chanceLost).toBeCloseTo(0.1, 3);
});

test('frost and moist curing come with strength; a sheet with one point or none still plans', () => {
  const { window } = chosenOf(input);
  expect(window.frostSafe_s).toBeGreaterThan(0);
  expect(window.moistCure_s).toBeGreaterThan(window.frostSafe_s!);
  const windowAnswer = chosenOf(jobWith(finding, { ...sheetOf('sandedRapid'), strengths: [[86400, 38]] })).window;
  expect(windowAnswer.frostSafe_s).toBeGreaterThan(0);
  const none = chosenOf(jobWith(finding, { ...sheetOf('sandedRapid'), strengths: [], strengthFor: {} })).window;
  expect([none.frostSafe_s, none.moistCure_s]).toEqual([null, null]);
  const weak = chosenOf(
    jobWith(finding, {
      ...sheetOf('sandedRapid'),
      strengths: [
        [5400, 1],
        [86400, 2],
      ],
      strengthFor: {},
    }),
  ).window;
  expect(weak.frostSafe_s).toBeNull();
});

test('two working times fit the energy; one out of reason keeps the class', () => {
  const sheet = sheetOf('sandedRapid');
  const fitted = chosenOf(
    jobWith(finding, {
      ...sheet,
      flowPoints: [
        [10, 1400],
        [32, 420],
      ],
    }),
  ).window.basis;
  expect(fitted.course.Ea_J_mol).toBeGreaterThan(35e3);
  expect(fitted.course.Ea_J_mol).not.toBe(55e3);
  expect(chosenOf(jobWith(finding, { ...sheet, flowPoints: [[10, 60]] })).window.basis.course.Ea_J_mol).toBe(55e3);
});

test('soundings give a hollow share with its interval; findings give tape and sheet', () => {
  const sounded = {
    ...element,
    soundings: { points: Array.from({ length: 12 }, (_, i): [number, number] => [0.5 + (i % 4) * 1.5, 0.7 + Math.floor(i / 4) * 1.3]), hollow: [0, 5] },
  };
  const plan = computePlan({ ...input, elements: [sounded] }).elements[0]!;
  expect(plan.hollow!.share).toBeCloseTo(2 / 12, 1);
  expect(plan.hollow!.low).toBeLessThan(plan.hollow!.share);
  expect(plan.hollow!.taps).toBe(12);
  expect(plan.hollow!.moreToHalve).toBeGreaterThan(24);
  expect(plan.masking!.tape_m).toBeCloseTo(2 * (1.2 + 0.9), 9);
  expect(computePlan({ ...input, findings: [], treatments: [] }).elements[0]).toMatchObject({ hollow: null, masking: null, volume: null });
});

test('a slurry-bonded topping comes with its slurry', () => {
  const { layers, slurry } = chosenOf(jobWith(finding, { ...sheetOf('portlandTopping'), bond: 'slurry' }));
  expect(layers[0]).toMatchObject({ code: 'bond', thickness_m: 0.001 });
  expect(slurry!.volume_m3).toBeCloseTo(1.08 * 0.001, 9);
  expect(chosenOf(input).slurry).toBeNull();
});

test('milestones come with their range, the wider the less is known, around the same median', () => {
  const { readiness, window } = chosenOf(input);
  expect(readiness.map(({ name, after_s }) => ({ name, after_s }))).toEqual(window.milestones);
  for (const { range, after_s } of readiness) {
    expect(range!.p50).toBe(after_s);
    expect(range!.p10).toBeLessThan(after_s);
    expect(range!.p90).toBeGreaterThan(after_s);
  }
  const vague = chosenOf(jobWith(finding, { ...sheetOf('sandedRapid'), flow: { least_s: 600, most_s: 864 } })).readiness;
  expect(vague[0]!.range!.p90 / vague[0]!.after_s).toBeGreaterThan(readiness[0]!.range!.p90 / readiness[0]!.after_s);
});

test('a resin is asked for no water, and its stated yield wins', () => {
  expect(problemOf(() => waterRatioOf(sheetOf('crackResin'), 'spread')).code).toBe('noWater');
  expect(yieldDifference(sheetOf('crackResin'), 'spread')).toBe(0);
  expect(yieldOf({ ...sheetOf('crackResin'), yield_m3_kg: 0.0009 }, 'spread')).toBe(0.0009);
  expect(waterRatioOf(sheetOf('sandedRapid'), 'ball')).toBeCloseTo(0.155, 12);
});

test('a dose or a fixed share that a sheet does not take is said, and the rest is still planned', () => {
  const dosed = { ...input, batch: { ...input.batch, retarderDose: 9 } };
  expect(computePlan(dosed).findings[0]!.ranking.length).toBe(catalogue.length);
  const whole = computePlan({ ...input, batch: { ...input.batch, share: 1 } });
  expect(whole.warnings.map(({ code }) => code)).toContain('batch.overLimit');
  expect(whole.findings[0]!.chosen!.batches.count).toBe(Math.ceil(whole.findings[0]!.chosen!.quantities.bags.p50));
  const refused = computePlan(jobWith(finding, sheetOf('broomOverlay')));
  expect(refused.warnings.map(({ code }) => code)).toContain('choice.refused');
  expect(computePlan({ ...input, elements: [{ ...element, opens: null }] }).findings[0]!.ranking[0]!.opensAfter_s).toBeNull();
});

test('the hash is of the value, whatever order its keys were written in; what is not there does not count', () => {
  expect(hashOf({ a: 1, b: [1, undefined, null], c: undefined })).toBe(hashOf({ b: [1, null, null], a: 1 }));
  expect(hashOf({ a: 1 })).not.toBe(hashOf({ a: 2 }));
});

const sandy = { ...sheetOf('sandedRapid'), extension: { most: 0.6, grain_m: 0.004 } };
const stone = { ratio: 0.5, moisture: 0.01, absorption: 0.01 };
const stoned = { batch: { ...input.batch, stone } };
const codesOf = (jobFile: PlanInput): string[] => computePlan(jobFile).warnings.map(({ code }) => code);

test('stone stretches the powder everywhere: less to buy, fewer batches, heavier pails, more of the slab at once', () => {
  const [plain, with1] = [chosenOf(jobWith(finding, sandy)), chosenOf(jobWith(finding, sandy, stoned))];
  // By hand: half a kilogram of stone to each kilogram of powder and its 155 g of water.
  const gain = 0.5 / 2650 / (1 / 2750 + 0.000155);
  expect(plain.quantities.powder.p50 / with1.quantities.powder.p50).toBeCloseTo(1 + gain, 9);
  expect(with1.batches.count).toBeLessThan(plain.batches.count);
  expect(with1.window.batch.volume_m3 / with1.batches.share! / (plain.window.batch.volume_m3 / plain.batches.share!)).toBeCloseTo(1 + gain, 9);
  expect(with1.window.basis.course.mass_kg).toBeCloseTo(with1.batches.share! * 22.7 * (1 + 0.155 + 0.5), 9);
  expect(with1.extended!.volume_m3).toBeCloseTo(with1.window.batch.volume_m3, 12);
  // What the pail holds of it is less powder: a third where it was a half.
  const tight = { ...input.firm, grid: [0.5, 1 / 3], lift_kg: 17 };
  expect(chosenOf(jobWith(finding, sandy, { ...stoned, firm: tight })).batches).toMatchObject({ largest: 1 / 3, limit: 'lift' });
  expect(chosenOf(jobWith(finding, sandy, { firm: tight })).batches.largest).toBe(0.5);
  const warm = { conditions: { ...input.conditions, powder_C: typed(35), water_C: typed(10) } };
  expect(chosenOf(jobWith(finding, sandy, { ...stoned, ...warm })).window.mix_C).toBeGreaterThan(chosenOf(jobWith(finding, sandy, warm)).window.mix_C);
});

test('what is asked for and cannot be is said: stone, retarder, frost', () => {
  expect(codesOf(jobWith(finding, sheetOf('sandedRapid'), stoned))).toContain('stone.notTaken');
  expect(codesOf(jobWith(finding, sandy, stoned))).not.toContain('stone.notTaken');
  expect(codesOf(jobWith(finding, { ...sandy, extension: { most: 0.6, grain_m: 0.012 } }, stoned))).toContain('stone.shallow');
  expect(codesOf({ ...input, batch: { ...input.batch, retarderDose: 9 } })).toContain('retarder.overDose');
  expect(codesOf({ ...input, batch: { ...input.batch, retarderDose: 1 } })).not.toContain('retarder.overDose');
  const cold = { ...input.conditions, air_C: typed(2), powder_C: typed(18), water_C: typed(30) };
  expect(codesOf({ ...input, conditions: { ...cold, slab_C: typed(-1) } })).toContain('frost.early');
  expect(codesOf({ ...input, conditions: { ...cold, slab_C: typed(1) } })).not.toContain('frost.early');
  const assumed = { value: 5, source: 'assumed' } as const;
  const night = { ...site('2026-01-02T04:00:00.000Z', -4), firstWater: '2026-01-02T19:00:00.000Z' };
  expect(codesOf({ ...input, site: night, conditions: { ...cold, air_C: assumed, slab_C: assumed } })).toContain('frost.early');
});

test('a product is judged at the hour of the work, not at what was assumed', () => {
  const assumed = { value: 21, source: 'assumed' } as const;
  const hot = { ...input, site: site('2026-07-02T04:00:00.000Z', 32), conditions: { ...input.conditions, air_C: assumed, slab_C: assumed } };
  const reasons = (jobFile: PlanInput): string[] => computePlan(jobFile).findings[0]!.ranking.flatMap(({ reasons: all }) => all.map(({ code }) => code));
  expect(reasons(hot)).toContain('temperature.hot');
  expect(reasons({ ...hot, site: site('2026-07-02T04:00:00.000Z', 12) })).not.toContain('temperature.hot');
});

test('a reading older than the day says nothing any more; a carried slab follows its air faster than one on the ground', () => {
  const assumed = { value: 21, source: 'assumed' } as const;
  const old = { ...input, site: site(), conditions: { ...input.conditions, slab_C: { ...typed(5), at: '2026-07-02T20:00:00.000Z' } } };
  const none = { ...old, conditions: { ...old.conditions, slab_C: assumed } };
  expect(chosenOf(old).window.question.slab_C).toBe(chosenOf(none).window.question.slab_C);
  const carried = { ...none, elements: [{ ...element, suspended: true, thickness: typed(0.12) }] };
  expect(Math.abs(chosenOf(carried).window.question.slab_C - chosenOf(none).window.question.slab_C)).toBeGreaterThan(0.5);
});

test('the soaked slab is misted as often as its film lasts', () => {
  const { window, water } = chosenOf(input);
  const { slab_C, air_C, humidity, wind_ms } = window.question;
  const drying = 5e-6 * ((slab_C + 18) ** 2.5 - humidity * (air_C + 18) ** 2.5) * (wind_ms * 3.6 + 4);
  expect(water!.redampEvery_s).toBeCloseTo(Math.min(1800, (3600 * 0.12) / drying), 6);
});
