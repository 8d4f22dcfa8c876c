import fc from 'fast-check';
import { problemOf } from '../testing/problemOf';
import { crewFigure, crewPosterior, crewRecord, effectiveTemperature, predicted, rate, type RecordEntry } from './index';

const entry = (temperature_C: number, life_s: number, more: Partial<RecordEntry> = {}): RecordEntry => ({ temperature_C, retarder: 1, life_s, ...more });
const WILD = [entry(33, 324), entry(14.3, 1248), entry(20.9, 792), entry(30.2, 1500), entry(14.5, 900, { retarder: 1.8, massFactor: 1.05, censored: true })];
const prior = { prior_s: 840, prior_Ea_J_mol: 55e3 };

// Worked in another language on the same grid.
test('the grid: plain under four entries, robust from four, a censored batch only says "at least"', () => {
  const three = crewRecord({ ...prior, log: WILD.slice(0, 3) });
  expect(three.reference_s).toBeCloseTo(779.3432280736411, 6);
  expect(three.Ea_J_mol).toBeCloseTo(53919.91765886745, 4);
  expect(three.weights).toEqual([1, 1, 1]);
  const all = crewRecord({ ...prior, log: WILD });
  expect(all.reference_s / 878.0914161118757).toBeCloseTo(1, 5);
  expect(all.Ea_J_mol / 43575.29187021905).toBeCloseTo(1, 5);
  expect(all.sdLnReference).toBeCloseTo(0.10179886082050359, 6);
  expect(all.sdEa_J_mol / 8425.622493764411).toBeCloseTo(1, 5);
  expect(all.covariance_J_mol / 209.58008434750565).toBeCloseTo(1, 4);
  expect(all.weights[3]).toBeCloseTo(0.46475884487256824, 5);
  const used = crewRecord({ ...prior, log: [entry(21, 1500, { censored: true })], givesRange: true });
  expect(used.reference_s).toBeCloseTo(1668.567853550235, 5);
  expect(used.sdLnReference).toBeCloseTo(0.2525038552117926, 6);
});

test('without an entry the prior stands; with many alike the record goes to them and grows surer', () => {
  const none = crewRecord({ ...prior, log: [] });
  expect(none).toMatchObject({ entries: 0, weights: [] });
  expect(none.ratio).toBeCloseTo(1, 6);
  // Cut off at 90 kJ/mol the energy's prior is a little narrower than 15.
  expect(none.sdEa_J_mol).toBeGreaterThan(13e3);
  expect(none.sdEa_J_mol).toBeLessThan(15e3);
  const alike = crewRecord({ ...prior, log: Array.from({ length: 30 }, () => entry(21, 600)) });
  expect(alike.reference_s).toBeGreaterThan(600);
  expect(alike.reference_s).toBeLessThan(612);
  expect(predicted(alike, { temperature_C: 21 }).sdLn).toBeLessThan(predicted(none, { temperature_C: 21 }).sdLn);
});

test('the posterior lies between prior and data, near the conjugate one where nothing is cut off or wild', () => {
  fc.assert(
    fc.property(fc.double({ min: 500, max: 1300, noNaN: true }), fc.integer({ min: 1, max: 3 }), (life_s, count) => {
      const log = Array.from({ length: count }, () => entry(21, life_s));
      const { reference_s } = crewRecord({ ...prior, log });
      expect(reference_s).toBeGreaterThanOrEqual(Math.min(840, life_s) * (1 - 1e-6));
      expect(reference_s).toBeLessThanOrEqual(Math.max(840, life_s) * (1 + 1e-6));
      expect(reference_s / crewPosterior({ ...prior, log }).reference_s).toBeCloseTo(1, 3);
    }),
    { numRuns: 30 },
  );
});

test('the prediction is symmetric in ln, wider away from the reference, and its temperature is the one with k t = te', () => {
  const record = crewRecord({ ...prior, log: WILD.slice(0, 3) });
  const { p10, p50, p90, sdLn } = predicted(record, { temperature_C: 21 });
  expect(p90 / p50).toBeCloseTo(p50 / p10, 9);
  expect(sdLn).toBeCloseTo(Math.hypot(record.sdLnReference, 0.2), 12);
  expect(predicted(record, { temperature_C: 40 }).sdLn).toBeGreaterThan(sdLn);
  const temperature_C = effectiveTemperature({ te_s: 720, life_s: 500, Ea_J_mol: 55e3 });
  expect(temperature_C).toBeCloseTo(25.84815927514012, 9);
  expect(rate({ temperature_C, Ea_J_mol: 55e3 }) * 500).toBeCloseTo(720, 6);
});

test.each<[string, () => unknown, string]>([
  ['a life of nothing', () => crewRecord({ ...prior, log: [entry(21, 0)] }), 'outOfRange'],
  ['a retarder that hurries', () => crewRecord({ ...prior, log: [entry(21, 600, { retarder: 0.5 })] }), 'outOfRange'],
  ['a batch in boiling water', () => crewRecord({ ...prior, log: [entry(100, 600)] }), 'outOfRange'],
  ['an energy out of reach', () => crewRecord({ ...prior, prior_Ea_J_mol: 5e3, log: [] }), 'outOfRange'],
  ['a rate of nothing', () => crewFigure({ name: 'rate', prior: 0.002, log: [{ value: 0 }] }), 'outOfRange'],
  ['a skin share past its bounds', () => crewFigure({ name: 'skinShare', prior: 0.5, log: [] }), 'outOfRange'],
])('refuses %s', (_name, work, code) => expect(problemOf(work).code).toBe(code));

// Worked in another language on a finer grid.
test.each([
  ['rate', 0.002, [{ value: 0.0026 }, { value: 0.0024 }, { value: 0.0031 }, { value: 0.02 }], 0.003073247908692615, 0.1275129569569717],
  ['waste', 0.07, [{ value: 0.12 }, { value: 0.09 }], 0.09442968112537786, 0.24618298195866617],
  ['soakDepth', 0.03, [{ value: 0.045, censored: true }], 0.04659438978119611, 0.28354626942395933],
  ['skinShare', 0.1, [{ value: 0.3 }, { value: 0.28 }], 0.17777525931034727, 0.09489071908868597],
] as const)('the crew’s %s is learned in the same shape', (name, given, log, median, sd) => {
  const figure = crewFigure({ name, prior: given, log });
  expect(figure.p50 / median).toBeCloseTo(1, 2);
  expect(Math.log(figure.p90 / figure.p50) / 1.2815515655446004).toBeCloseTo(sd, 3);
  expect(figure.sdNext).toBeGreaterThan(sd);
  expect(figure.entries).toBe(log.length);
});

test('among four a censored entry under the median keeps its weight, and bounds of one’s own cut the figure off', () => {
  const log = [{ value: 0.0026 }, { value: 0.0024 }, { value: 0.0025 }, { value: 0.001, censored: true }];
  const with4 = crewFigure({ name: 'rate', prior: 0.002, log });
  expect(with4.p50).toBeCloseTo(crewFigure({ name: 'rate', prior: 0.002, log: log.slice(0, 3) }).p50, 4);
  expect(crewFigure({ name: 'rate', prior: 0.002, log, most: 0.0021 }).p50).toBeLessThan(0.0021);
});
