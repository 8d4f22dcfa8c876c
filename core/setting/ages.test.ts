import { course21 } from '../testing/course';
import fc from 'fast-check';
import { problemOf } from '../testing/problemOf';
import {
  ageForStrength,
  checkedTemperatures,
  Course,
  massFactor,
  monteCarloLives,
  normals,
  peakTemperature,
  permissionAge,
  resinPaddleRise,
  retarderFactor,
  shifted,
  strengthAt,
  strengthCurve,
  temperatureAt,
  workingLife,
  type CourseInput,
  type StrengthPoint,
} from './index';

const THREE: StrengthPoint[] = [
  [7200, 10],
  [86400, 36],
  [2419200, 52],
];

// The best shape found in another language by trying two hundred thousand of them.
test('three points are fitted by the best shape, two by a = 1, one by its class', () => {
  const curve = strengthCurve({ points: THREE });
  expect(curve.a).toBeCloseTo(0.550478, 4);
  expect(curve.ultimate_MPa).toBeCloseTo(55.7647, 2);
  expect(curve.tau_s / 19254.4834).toBeCloseTo(1, 3);
  for (const [age_s, strength_MPa] of THREE) expect(strengthAt({ curve, age_s })).toBeCloseTo(strength_MPa, 3);
  expect(strengthCurve({ points: THREE.slice(0, 2) }).a).toBe(1);
  const strength = strengthCurve({ points: [[86400, 36]], tau_s: 13400 });
  expect(strength.assumed).toBe(true);
  expect(strengthAt({ curve: strength, age_s: 86400 })).toBeCloseTo(36, 9);
  expect(strength.ultimate_MPa).toBeCloseTo(36 * Math.exp(13400 / 86400), 9);
});

test('a permission is never earlier than the first datum, and the retarder shifts it', () => {
  const early = permissionAge({ points: THREE.slice(0, 2), strength_MPa: 3.5 });
  expect(early).toEqual({ age_s: 7200, beforeFirst: true, assumed: false });
  expect(permissionAge({ points: THREE.slice(0, 2), strength_MPa: 3.5, shift_s: 900 }).age_s).toBe(8100);
  const late = permissionAge({ points: THREE, strength_MPa: 30 });
  expect(late.beforeFirst).toBe(false);
  expect(late.age_s).toBeCloseTo(ageForStrength({ curve: strengthCurve({ points: THREE }), strength_MPa: 30 }), 6);
  expect(permissionAge({ points: [[86400, 36]], strength_MPa: 20, tau_s: 13400 }).assumed).toBe(true);
});

test.each<[string, StrengthPoint[]]>([
  ['none', []],
  ['one without a class', [[7200, 10]]],
  [
    'falling strength',
    [
      [7200, 10],
      [86400, 9],
    ],
  ],
  [
    'falling age',
    [
      [7200, 10],
      [3600, 12],
    ],
  ],
  [
    'a dip in the middle',
    [
      [7200, 10],
      [86400, 40],
      [2419200, 38],
    ],
  ],
])('refuses %s', (_name, points) => expect(problemOf(() => strengthCurve({ points })).code).toBe('strengthPoints'));

test('no strength before set, none past the ultimate', () => {
  const curve = strengthCurve({ points: THREE });
  expect(strengthAt({ curve, age_s: 1000, finalSet_s: 1920 })).toBe(0);
  expect(strengthAt({ curve, age_s: 800, shift_s: 900 })).toBe(0);
  expect(problemOf(() => ageForStrength({ curve, strength_MPa: 80 })).code).toBe('strengthNotReached');
});

const course: CourseInput = { ...course21, thickness_m: 0.06, placed_after_s: 0 };

// Worked in another language with the same steps; with four thousand of them it is 17.367 K.
test('a fill warms itself; a thicker one more, a colder one later', () => {
  const peak = peakTemperature({ course, final_s: 1920, adiabatic_K: 45 });
  expect(peak.rise_K).toBeCloseTo(17.365915385265726, 4);
  expect(peak.after_s).toBeCloseTo(9920, 3);
  expect(peak.peak_C).toBeCloseTo(21 + peak.rise_K, 9);
  expect(peak.after_s).toBeGreaterThan(8500);
  expect(peak.after_s).toBeLessThan(11000);
  expect(peakTemperature({ course: { ...course, thickness_m: 0.12 }, final_s: 1920, adiabatic_K: 45 }).rise_K).toBeGreaterThan(peak.rise_K);
  expect(peakTemperature({ course: { ...course, surface_C: 8, mix_C: 8, surroundings_C: 8 }, final_s: 1920, adiabatic_K: 45 }).after_s).toBeGreaterThan(
    peak.after_s,
  );
  expect(problemOf(() => peakTemperature({ course, final_s: 1, adiabatic_K: 45 })).code).toBe('outOfRange');
});

test('seeded lives repeat, follow the closed form where there is one, and are one stream each', () => {
  const still = { mix_K: 0, surroundings_K: 0, surface_K: 0, sdLn: 0.32 };
  const lives = monteCarloLives({ course, spread: still, seed: 7, count: 20_000 });
  expect(monteCarloLives({ course, spread: still, seed: 7, count: 20_000 })).toEqual(lives);
  expect(monteCarloLives({ course, spread: still, seed: 8, count: 10 })[0]).not.toBe(lives[0]);
  const lns = [...lives].map(Math.log).sort((a, b) => a - b);
  expect(lns[10_000]).toBeCloseTo(Math.log(workingLife(course)), 1);
  expect((lns[18_000]! - lns[2_000]!) / 2 / 1.2815515655446004).toBeCloseTo(0.32, 1);
  const warm = monteCarloLives({ course, spread: { mix_K: 3, surroundings_K: 2, surface_K: 4, sdLn: 0 }, seed: 7, count: 20_000 });
  const spread = Math.sqrt([...warm].map((life) => (Math.log(life) - Math.log(workingLife(course))) ** 2).reduce((a, b) => a + b, 0) / warm.length);
  // By hand: a kelvin is about 7.6 % of the rate at 21 degC, shared between pail and layer.
  expect(spread).toBeGreaterThan(0.15);
  expect(spread).toBeLessThan(0.4);
  const moving = { ...course, surface_C: { at_s: [0, 600], C: [21, 30] } };
  const drawn1 = monteCarloLives({ course: moving, spread: { ...still, sdLn: 0, surface_K: 3 }, seed: 7, count: 2000 });
  expect([...drawn1].sort((a, b) => a - b)[1000]! / workingLife(moving)).toBeCloseTo(1, 1);
  expect(problemOf(() => monteCarloLives({ course, spread: still, seed: 7, count: 0 })).code).toBe('outOfRange');
  const draw = normals(3);
  const drawn = Array.from({ length: 60_000 }, draw);
  expect(drawn.reduce((a, b) => a + b, 0) / 60_000).toBeCloseTo(0, 1);
  expect(drawn.reduce((a, b) => a + b * b, 0) / 60_000).toBeCloseTo(1, 1);
});

test('temperatures over time: straight between their knots, held outside, refused when they do not rise', () => {
  const warming = { at_s: [0, 600, 1200], C: [10, 20, 15] };
  expect([-5, 0, 300, 600, 900, 1200, 9999].map((t) => temperatureAt(warming, t))).toEqual([10, 10, 15, 20, 17.5, 15, 15]);
  expect(shifted(warming, 2).C).toEqual([12, 22, 17]);
  const range = { least: -10, most: 90 };
  expect(checkedTemperatures('surface_C', 20, range)).toBeNull();
  for (const bad of [
    { at_s: [], C: [] },
    { at_s: [0, 0], C: [1, 2] },
    { at_s: [0, 1], C: [1] },
  ])
    expect(problemOf(() => checkedTemperatures('surface_C', bad, range)).code).toBe('knots');
  expect(problemOf(() => checkedTemperatures('surface_C', { at_s: [0], C: [95] }, range)).code).toBe('outOfRange');
  expect(problemOf(() => workingLife({ ...course, surface_C: { at_s: [0], C: [Number.NaN] } })).code).toBe('outOfRange');
});

test('a life over a day that changes lies between those at its coldest and its warmest', () => {
  fc.assert(
    fc.property(fc.array(fc.double({ min: 5, max: 40, noNaN: true }), { minLength: 2, maxLength: 6 }), (C) => {
      const at_s = C.map((_, i) => i * 200);
      const life = workingLife({ ...course, thickness_m: 0.003, placed_after_s: 60, surface_C: { at_s, C } });
      const at = (surface_C: number): number => workingLife({ ...course, thickness_m: 0.003, placed_after_s: 60, surface_C });
      expect(life).toBeGreaterThanOrEqual(at(Math.max(...C)) * (1 - 1e-9));
      expect(life).toBeLessThanOrEqual(at(Math.min(...C)) * (1 + 1e-9));
    }),
    { numRuns: 40 },
  );
});

test('the mass effect is clamped, resins warm more for their weight, a dose without a table is refused', () => {
  expect(massFactor({ mass_kg: 0.6, reference_kg: 0.3, exponent: -0.25 })).toBeCloseTo(2 ** -0.25, 12);
  expect(massFactor({ mass_kg: 300, reference_kg: 0.3, exponent: -0.25 })).toBe(0.5);
  expect(massFactor({ mass_kg: 0.001, reference_kg: 0.3, exponent: -0.25 })).toBe(2);
  expect(resinPaddleRise({ mass_kg: 1, mixing_s: 60 })).toBeCloseTo((0.015 * 60) / 1.9, 12);
  expect(resinPaddleRise({ mass_kg: 100, mixing_s: 60 })).toBeCloseTo((0.3 * 60) / 190, 12);
  expect(retarderFactor({ dose: 0, table: [] })).toBe(1);
  expect(problemOf(() => retarderFactor({ dose: 0.5, table: [] })).code).toBe('outOfRange');
});

test('how a life goes with each temperature it runs on is what a kelvin of it does', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 5, max: 40, noNaN: true }),
      fc.double({ min: 0.003, max: 0.06, noNaN: true }),
      fc.double({ min: 30, max: 900, noNaN: true }),
      fc.double({ min: 60, max: 3600, noNaN: true }),
      (surface_C, thickness_m, placed_after_s, t) => {
        const input = {
          pail_life_s: 600,
          film_life_s: 600,
          Ea_J_mol: 55e3,
          mix_C: 22,
          surroundings_C: 27,
          mass_kg: 12,
          surface_C,
          thickness_m,
          placed_after_s,
        };
        const slope = (name: 'mix_C' | 'surroundings_C' | 'surface_C'): number => {
          const ln = (by: number): number => Math.log(new Course({ ...input, [name]: input[name] + by }).spentAt(t));
          return (ln(0.01) - ln(-0.01)) / 0.02;
        };
        const { mix, surroundings, surface } = new Course(input).sensitivityAt(t);
        expect(mix).toBeCloseTo(slope('mix_C'), 6);
        expect(surroundings).toBeCloseTo(slope('surroundings_C'), 6);
        expect(surface).toBeCloseTo(slope('surface_C'), 6);
      },
    ),
    { numRuns: 60 },
  );
});
