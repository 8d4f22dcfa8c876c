import { preparedSurface } from '../weather';
import { flipsAt } from './flipsAt';
import { at21, questionOf, sheet } from './question';
import { mixTemperature, paddleRise, SETTING } from '../setting';
import { type Sheet } from '../shelf';
import type { FindingInput } from '../survey';
import { computePlan, leversOf, PLAN, windowFor, type PlanInput } from '../plan';
import { crack, element, input, sheetOf, typed } from './job';

// Figures that decide from where on something is said or tried.

test.each([
  ['rapid', 'drying.caution', 0.25],
  ['rapid', 'drying.act', 0.5],
  ['portland', 'drying.caution', 0.5],
  ['portland', 'drying.act', 1],
] as const)('%s: %s from its own rate on', (binder, code, rate_kg_m2h) => {
  const planOf = (wind: number): PlanInput => ({
    ...input,
    sheets: [{ ...sheet, binder }],
    conditions: { ...input.conditions, slab_C: typed(26), humidity: typed(0.5), wind_ms: typed(wind) },
  });
  const wind = flipsAt(0, 25, (wind_ms) => computePlan(planOf(wind_ms)).warnings.some((warning) => warning.code === code || warning.code === 'drying.act'));
  const edge = computePlan(planOf(wind + 1e-4)).findings[0]!.chosen!.window.evaporation_kg_m2h;
  expect(edge).toBeCloseTo(rate_kg_m2h, 3);
});

test('a difference of yield or of parts is told from 8 and from 5 per cent on', () => {
  const ratio = (yield_m3_kg: number): string[] => computePlan({ ...input, sheets: [{ ...sheet, yield_m3_kg }] }).warnings.map(({ code }) => code);
  const sum = (1 / 2750 + 0.155 / 1000) / (1 - sheet.airShare);
  expect(flipsAt(sum, sum * 1.2, (total) => ratio(total).includes('yield.differs')) / sum).toBeCloseTo(1.08, 4);
  const resin = sheetOf('crackResin');
  const told = { densities_kg_m3: [1000, 1000], bottle_m3: 0.0001, squeeze_m3_s: 5e-6, sandLimit: null, filmShare: null };
  const parts = (more: number): boolean => {
    const sheet: Sheet = { ...resin, resin: { ...told, byMass: [1 + more, 1 - more] } };
    return computePlan({
      ...input,
      elements: [{ ...element, moisture: 'dry' }],
      findings: [crack],
      sheets: [sheet],
      treatments: [{ findingId: 'f', sheetId: sheet.id }],
    }).warnings.some(({ code }) => code === 'parts.differ');
  };
  expect(flipsAt(0, 0.2, parts)).toBeCloseTo(0.05, 6);
  const { sandLimit: _limit, ...plain } = told;
  expect(plain.bottle_m3).toBe(0.0001);
});

test('what a lever is at its full reach', () => {
  const hot = { ...at21, air_C: 34, slab_C: 45, powder_C: 33, water_C: 26, wind_ms: 3, humidity: 0.2, sun: true };
  const question = questionOf({ ...hot, thickness_m: 0.02, crew: { hands: 2, rate_m2_s: 0.02, carry_s: 0, finish_s: 0 } });
  const levers = leversOf({ question, answer: windowFor(question), grid: [1, 0.5, 0.25] });
  const figure = (code: string): Readonly<Record<string, number>> => levers.find((lever) => lever.code === code)!.figures;
  expect(figure('coolWater')).toEqual({ water_C: 2 });
  expect(figure('coolPowder')).toEqual({ powder_C: 28 });
  const water_kg = 0.5 * 22.7 * 0.155;
  const iced =
    mixTemperature({ powder_kg: 11.35, powder_C: 33, water_kg: water_kg - figure('ice')['ice_kg']!, water_C: 26, ice_kg: figure('ice')['ice_kg']! }) +
    paddleRise({ powder_kg: 11.35, water_kg, mixing_s: sheet.mixing.time_s });
  // The least share that brings it to 5 degC, found to a thousandth.
  expect(iced).toBeLessThanOrEqual(5.0001);
  expect(iced).toBeGreaterThan(4.9);
  const wetted = leversOf({ question: { ...question, thickness_m: 0.004 }, answer: windowFor({ ...question, thickness_m: 0.004 }), grid: [0.5] });
  const wet_C = preparedSurface({ slab_C: 45, air_C: 34, humidity: 0.2, wind_ms: 3, change: 'wet', for_s: 1800 });
  expect(wetted.find(({ code }) => code === 'wetSlab')!.change.slab_C).toBeCloseTo(wet_C, 9);
  // How much trouble each is decides the order, so the whole order is told here.
  expect(PLAN.levers).toEqual({
    shadePail: 1,
    coolWater: 1,
    smallerBatch: 2,
    retarder: 2,
    wetSlab: 2,
    shadeSlab: 3,
    coolPowder: 3,
    stopWind: 3,
    ice: 4,
    hour: 5,
    anotherHand: 6,
  });
  expect(
    flipsAt(10, 20, (powder_C) =>
      leversOf({ question: { ...question, powder_C, air_C: 5 }, answer: windowFor(question), grid: [0.5] }).some(({ code }) => code === 'coolPowder'),
    ),
  ).toBeCloseTo(15, 6);
  const three = { ...question, crew: { ...question.crew, hands: 3 } };
  expect(leversOf({ question: three, answer: windowFor(three), grid: [0.5] }).map(({ code }) => code)).not.toContain('anotherHand');
  const windy = { ...question, thickness_m: 0.001, wind_ms: 8, slab_C: 40 };
  const stopped = leversOf({ question: windy, answer: windowFor(windy), grid: [0.5] }).find(({ code }) => code === 'stopWind')!;
  expect([stopped.figures, stopped.trouble]).toEqual([{ wind_ms: 0.5 }, 3]);
  expect(SETTING.gridWidth_sd).toBe(5);
});

test('a fill that would pass 60 degC is told', () => {
  const step: FindingInput = {
    id: 'f',
    elementId: 'e',
    label: 'X',
    kind: 'step',
    width: typed(1.2),
    going: typed(0.3),
    rise: typed(0.17),
    steps: 1,
    stays_m3: 0,
    pitch: 0,
    propAngle_rad: 0.5,
  };
  const sheet = sheetOf('rapidConcrete');
  const planOf = (slab_C: number) =>
    computePlan({
      ...input,
      sheets: [sheet],
      findings: [step],
      treatments: [{ findingId: 'f', sheetId: sheet.id }],
      conditions: { ...input.conditions, air_C: typed(30), slab_C: typed(slab_C) },
    });
  const edge = flipsAt(20, 60, (slab_C) => planOf(slab_C).warnings.some(({ code }) => code === 'fill.hot'));
  expect(planOf(edge + 1e-6).findings[0]!.chosen!.window.peak!.peak_C).toBeCloseTo(60, 2);
});

test('thin rapid layers set late: under 12 mm, by 1.3', () => {
  const vehicles = (thickness_m: number): number => windowFor(questionOf({ thickness_m })).milestones.find(({ name }) => name === 'vehicles')!.after_s;
  expect(flipsAt(0.011, 0.013, (thickness_m) => vehicles(thickness_m) > 12500)).toBeCloseTo(0.012, 6);
  expect(vehicles(0.0119) / vehicles(0.0121)).toBeCloseTo(1.3, 2);
});
