import { course21 } from '../testing/course';
import fc from 'fast-check';
import { Problem } from '../quantity';
import {
  batchWindow,
  Course,
  excessTable,
  layerExcess,
  mixTemperature,
  retarderFactor,
  safeShare,
  SETTING,
  temperatureAt,
  strengthAt,
  strengthCurve,
  ageForStrength,
  waterTemperatureFor,
  workingLife,
  type CourseInput,
} from './index';

const base = course21;
const celsius = fc.double({ min: 3, max: 45, noNaN: true });

/** The same budget by a fine fixed step, written the plain way. */
function byFineStep(input: CourseInput): number {
  const k = (t: number): number => Math.exp((-input.Ea_J_mol / 8.314462618) * (1 / (t + 273.15) - 1 / 294.15));
  const tau = 9000 * Math.cbrt(input.mass_kg / 20);
  const of = (course: CourseInput['surface_C'], t: number): number => (typeof course === 'number' ? course : temperatureAt(course, t));
  let pail_C = input.mix_C;
  let placed_C = 0;
  let spent = 0;
  for (let t = 0; ; t += 0.25) {
    const middle = t + 0.125;
    const inPail = middle < input.placed_after_s;
    const f = inPail ? 0 : layerExcess({ thickness_m: input.thickness_m, elapsed_s: middle - input.placed_after_s, layer: SETTING.mortar, base: SETTING.slab });
    // The pail by its own equation, exact for the quarter second.
    const atMiddle = of(input.surroundings_C, middle) + (pail_C - of(input.surroundings_C, middle)) * Math.exp(-0.125 / tau);
    if (inPail) placed_C = pail_C = of(input.surroundings_C, middle) + (pail_C - of(input.surroundings_C, middle)) * Math.exp(-0.25 / tau);
    const surface_C = of(input.surface_C, middle);
    const temperature = inPail ? atMiddle : surface_C + f * (placed_C - surface_C);
    spent += (0.25 * k(temperature)) / (inPail ? input.pail_life_s : input.film_life_s);
    if (spent >= 1) return t + 0.25;
  }
}

test('working life agrees with a fine step to 0.05 %', () => {
  for (const input of [
    { ...base, mix_C: 30, surface_C: 10 },
    { ...base, thickness_m: 0.003, surface_C: 38 },
    { ...base, mix_C: 12, surroundings_C: 34, placed_after_s: 400 },
    { ...base, surface_C: { at_s: [0, 300, 900], C: [45, 25, 8] }, surroundings_C: { at_s: [-600, 60, 200], C: [40, 20, 35] } },
    { ...base, surface_C: { at_s: [0, 500, 2000], C: [4, 30, 50] }, placed_after_s: Infinity, surroundings_C: { at_s: [0, 600], C: [5, 60] } },
  ])
    expect(workingLife(input) / byFineStep(input)).toBeCloseTo(1, 3);
});

test('at the reference temperature the life is the sheet’s, and doubling the rate halves it', () => {
  expect(workingLife(base)).toBeCloseTo(720, 6);
  expect(workingLife({ ...base, pail_life_s: 360, film_life_s: 360 })).toBeCloseTo(360, 6);
});

test('life falls with any temperature and rises with retarder', () => {
  fc.assert(
    fc.property(celsius, celsius, fc.constantFrom('mix_C', 'surroundings_C', 'surface_C' as const), (a, b, name) => {
      fc.pre(Math.abs(a - b) > 0.5);
      expect(workingLife({ ...base, [name]: Math.max(a, b) })).toBeLessThan(workingLife({ ...base, [name]: Math.min(a, b) }));
    }),
  );
  expect(workingLife({ ...base, retarder: 1.6 })).toBeGreaterThan(workingLife(base) * 1.5);
});

test('spent and time to spend are each other’s inverse, before and after placing', () => {
  const course = new Course({ ...base, surface_C: 33 });
  for (const share of [0.05, 0.2, 0.66, 1, 3]) expect(course.spentAt(course.timeToSpend(share))).toBeCloseTo(share, 9);
});

test('a 3 mm skim follows the slab and a 50 mm fill follows the mix', () => {
  const at = (thickness_m: number): number => new Course({ ...base, mix_C: 10, surroundings_C: 10, surface_C: 40, thickness_m }).temperature_C(150 + 60);
  expect(at(0.003)).toBeGreaterThan(28);
  expect(at(0.05)).toBeLessThan(16);
});

test('the table of the layer excess stays within 1e-6 of the series', () => {
  const table = excessTable({ layer: SETTING.mortar, base: SETTING.slab });
  for (const elapsed_s of [0.5, 7, 60, 611, 5000, 90000]) {
    const exact = layerExcess({ thickness_m: 0.006, elapsed_s, layer: SETTING.mortar, base: SETTING.slab });
    expect(Math.abs(table(Math.sqrt((1.6 / 2.9e6) * elapsed_s) / 0.006) - exact)).toBeLessThan(1e-6);
  }
});

test('water for a target gives the target', () => {
  fc.assert(
    fc.property(celsius, celsius, (powder_C, target_C) => {
      const water_C = waterTemperatureFor({ powder_kg: 20, powder_C, water_kg: 3.4, target_C });
      fc.pre(water_C > -15 && water_C < 85);
      expect(mixTemperature({ powder_kg: 20, powder_C, water_kg: 3.4, water_C })).toBeCloseTo(target_C, 9);
    }),
  );
});

test('strength and its inverse agree; points must rise', () => {
  const curve = strengthCurve({
    points: [
      [3600, 10],
      [86400, 35],
    ],
  });
  expect(strengthAt({ curve, age_s: ageForStrength({ curve, strength_MPa: 17 }) })).toBeCloseTo(17, 9);
  expect(strengthAt({ curve, age_s: 600, finalSet_s: 1800 })).toBe(0);
  expect(() =>
    strengthCurve({
      points: [
        [3600, 10],
        [86400, 9],
      ],
    }),
  ).toThrow(Problem);
  expect(() => ageForStrength({ curve, strength_MPa: 90 })).toThrow(Problem);
});

test.each<[string, () => unknown]>([
  [
    'a dose over the table',
    () =>
      retarderFactor({
        dose: 3.1,
        table: [
          [0, 1],
          [3, 2],
        ],
      }),
  ],
  ['water of 200 degC', () => mixTemperature({ powder_kg: 1, powder_C: 20, water_kg: 1, water_C: 200 })],
  ['an empty pail', () => mixTemperature({ powder_kg: 0, powder_C: 20, water_kg: 0, water_C: 20 })],
  ['a chance of 0', () => safeShare({ sdLn: 0.3, chance: 0 })],
  ['a slab at 95 degC', () => workingLife({ ...base, surface_C: 95 })],
  ['no thickness', () => workingLife({ ...base, thickness_m: 0 })],
  ['not a number', () => workingLife({ ...base, mix_C: Number.NaN })],
])('refuses %s', (_name, work) => {
  expect(work).toThrow(Problem);
});

test('on a hot slab the portion spread first dies first, on a cold one the last; skin ends a thin windy layer', () => {
  const { pail_life_s: _p, film_life_s: _f, placed_after_s: _a, ...course } = base;
  const window = (change: Partial<CourseInput>, evaporation_kg_m2h = 0) =>
    batchWindow({
      pace: { mix_s: 120, carry_s: 30, place_s: 150, finish_s: 90 },
      flow_life_s: 720,
      finish_life_s: 1080,
      filmShare: 1,
      course: { ...course, ...change },
      safeShare: Math.exp(-1.2815515655446004 * 0.32),
      sdLn: 0.32,
      accepted: 0.1,
      wetEdge: false,
      mixesWhilePlacing: true,
      drying: { mixWater_kg_m3: 270, evaporation_kg_m2h, share: 0.1 },
    });
  const hot = window({ surface_C: 40 });
  const cold = window({ surface_C: 4 });
  expect(hot.first.flow_s).toBeLessThan(hot.last.flow_s);
  expect(cold.last.flow_s).toBeLessThan(cold.first.flow_s);
  expect(hot.finishEnding).toBe('finish');
  expect(window({ thickness_m: 0.002 }, 1.2).finishEnding).toBe('skin');
});
