import fc from 'fast-check';
import { Problem } from '../quantity';
import {
  counterArea,
  counterMass,
  crackResin,
  crackSand,
  cutList,
  filledWidth,
  formBallast,
  formThrust,
  groovePasses,
  jointWidth,
  lidUplift,
  meanWidth,
  propForce,
  rectangle,
  wedgeThinRun,
  wedgeVolume,
  type Crack,
} from './index';

const crack = fc.record({
  profile: fc.constantFrom('slot' as const, 'vee' as const),
  length_m: fc.double({ min: 0.1, max: 40, noNaN: true }),
  width_m: fc.double({ min: 0.001, max: 0.04, noNaN: true }),
  depth_m: fc.double({ min: 0.005, max: 0.3, noNaN: true }),
  cap_m: fc.double({ min: 0, max: 0.05, noNaN: true }),
});

test('bed and cap: sand and cap together are the crack; a deeper cap wants more resin and less sand; length only scales', () => {
  fc.assert(
    fc.property(crack, (slot: Crack) => {
      const section = slot.profile === 'slot' ? slot.width_m * slot.depth_m : (slot.width_m * slot.depth_m) / 2;
      const cap = crackResin({ ...slot, porosity: 0, crown_m: 0 });
      expect(cap + crackSand(slot)).toBeCloseTo(section * slot.length_m, 9);
      const deeper = { ...slot, cap_m: slot.cap_m + 0.01 };
      expect(crackSand(deeper)).toBeLessThanOrEqual(crackSand(slot) + 1e-12);
      expect(crackResin(deeper)).toBeGreaterThanOrEqual(crackResin(slot) - 1e-12);
      expect(crackResin({ ...slot, length_m: 2 * slot.length_m })).toBeCloseTo(2 * crackResin(slot), 9);
    }),
  );
});

test('mean width by the trapezoid, in any order of reading', () => {
  expect(
    meanWidth([
      [0, 0.002],
      [2, 0.004],
      [1, 0.006],
    ]),
  ).toBeCloseTo(0.0045, 9);
  expect(meanWidth([[1, 0.003]])).toBe(0.003);
  expect(() => meanWidth([])).toThrow(Problem);
});

test.each([
  [0.02, 0.0064, 4],
  [0.0064, 0.0064, 1],
  [0.003, 0.0064, 1],
])('a groove of %d with a blade of %d takes %d passes, and the wider of both is filled', (groove_m, blade_m, passes) => {
  expect(groovePasses({ groove_m, blade_m })).toBe(passes);
  expect(filledWidth({ groove_m, blade_m })).toBe(Math.max(groove_m, blade_m));
});

test('a wedge is half its box, and too thin from its toe on', () => {
  expect(wedgeVolume({ run_m: 2, rise_m: 0.1, width_m: 3 })).toBeCloseTo(0.3, 9);
  expect(wedgeThinRun({ run_m: 2, rise_m: 0.1, minimum_m: 0.2 })).toBe(2);
  expect(wedgeThinRun({ run_m: 2, rise_m: 0.1, minimum_m: 0.025 })).toBeCloseTo(0.5, 9);
});

test('forms: thrust grows with the square of the depth; ballast holds it by friction with half as much again; props and lids', () => {
  const fill = { density_kg_m3: 2300, depth_m: 0.2, length_m: 1.5 };
  expect(formThrust({ ...fill, depth_m: 0.4 })).toBeCloseTo(4 * formThrust(fill), 6);
  expect(formBallast(fill) * 9.80665 * 0.4).toBeCloseTo(1.5 * formThrust(fill), 6);
  expect(propForce({ thrust_N: 100, angle_rad: Math.PI / 3 })).toBeCloseTo(200, 6);
  expect(lidUplift({ ...fill, area_m2: 2 })).toBeCloseTo(2300 * 9.80665 * 0.2 * 2, 6);
  expect(() => formThrust({ ...fill, depth_m: 9 })).toThrow(Problem);
});

test('a countertop weighs what is left of it; more cut out than there is is refused', () => {
  const outline = rectangle({ length_m: 2, width_m: 0.6 });
  expect(counterMass({ outline, cutouts_m2: [0.2], thickness_m: 0.04, density_kg_m3: 2250, edges_m3: 0.001 })).toBeCloseTo((1 * 0.04 + 0.001) * 2250, 6);
  expect(() => counterArea({ outline, cutouts_m2: [1.3] })).toThrow(Problem);
});

test('a joint is wider for more movement and a stiffer sealant', () => {
  const joint = { length_m: 4, temperatureRange_K: 40, movementClass: 0.25 };
  expect(jointWidth({ ...joint, movementClass: 0.5 })).toBeCloseTo(jointWidth(joint) / 2, 9);
  expect(jointWidth({ ...joint, temperatureRange_K: 80 })).toBeCloseTo(2 * jointWidth(joint), 9);
});

test('a cut list uses every piece once, never overfills a stock, and is never worse than one by one', () => {
  const parts = fc.array(fc.double({ min: 0.1, max: 2.4, noNaN: true }), { minLength: 1, maxLength: 16 });
  fc.assert(
    fc.property(parts, fc.constantFrom(0, 0.003), (parts_m, kerf_m) => {
      const { stocks } = cutList({ parts_m, stock_m: 2.44, kerf_m });
      expect(stocks.flat().sort((a, b) => a - b)).toEqual(parts_m.map((_, i) => i));
      for (const pieces of stocks)
        expect(pieces.reduce((sum, i) => sum + parts_m[i]!, 0) + (pieces.length - 1) * kerf_m).toBeLessThanOrEqual(2.44 * (1 + 1e-6));
      expect(stocks.length).toBeGreaterThanOrEqual(Math.ceil(parts_m.reduce((sum, part) => sum + part, 0) / 2.44 - 1e-6));
      expect(stocks.length).toBeLessThanOrEqual(parts_m.length);
    }),
    { numRuns: 80 },
  );
  // Where taking the longest first wastes a stock, up to twelve pieces are still cut from the fewest.
  expect(cutList({ parts_m: [5, 5, 4, 4, 3, 3, 3, 3], stock_m: 15, kerf_m: 0 }).stocks).toHaveLength(2);
  expect(() => cutList({ parts_m: [2.5], stock_m: 2.44, kerf_m: 0.003 })).toThrow(Problem);
});
