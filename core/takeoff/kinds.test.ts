import fc from 'fast-check';
import { problemOf } from '../testing/problemOf';
import {
  counterLoad,
  cutList,
  debrisOf,
  filledWidth,
  flightOf,
  hollowInterval,
  hollowShare,
  lidUplift,
  lineLength,
  maskingOf,
  meanWidth,
  polygonArea,
  prismVolume,
  rebuiltStep,
  rectangle,
  skimVolume,
  underWater,
  volumeCutTo,
  volumeFromShape,
  volumeFromReadings,
  wilson,
  type DepthReading,
} from './index';

test('prisms, steps, skims and voids: by hand', () => {
  const edge = { length_m: 1.2, across_m: 0.05, down_m: 0.04 };
  expect(prismVolume({ section: 'triangle', ...edge })).toBeCloseTo(0.0012, 12);
  expect(prismVolume({ section: 'rectangle', ...edge })).toBeCloseTo(0.0024, 12);
  const step = { width_m: 1.2, going_m: 0.3, rise_m: 0.17, stays_m3: 0.04, pitch: 0.02 };
  expect(rebuiltStep(step)).toBeCloseTo(0.0612 - 0.04 + (0.02 * 0.09 * 1.2) / 2, 12);
  expect(problemOf(() => rebuiltStep({ ...step, stays_m3: 0.2 })).code).toBe('nothingToFill');
  const flight = flightOf({ width_m: 1.2, going_m: 0.28, rise_m: 1.02, steps: 6 });
  expect(flight.rise_m).toBeCloseTo(0.17, 12);
  expect(Math.tan(flight.angle_rad)).toBeCloseTo(0.17 / 0.28, 12);
  expect(flight.slope_m).toBeCloseTo(6 * Math.hypot(0.17, 0.28), 12);
  expect(skimVolume({ area_m2: 12, thickness_m: 0.003, texture_m: 0.0006 })).toBeCloseTo(0.0432, 12);
  expect(underWater({ volume_m3: 0.01 })).toEqual({ volume_m3: 0.011000000000000001, portions: 32 });
  expect(underWater({ volume_m3: 0.0035 / 1.1 }).portions).toBe(10);
});

test('debris and masking: by hand', () => {
  expect(debrisOf(0.02)).toEqual({ bulk_m3: 0.03, mass_kg: 46, bags: 3 });
  expect(debrisOf(40 / 2300).bags).toBe(2);
  expect(maskingOf({ edge_m: 10, strip_m: 0.5, corners: 4 })).toEqual({ tape_m: 10, sheet_m2: 6 });
  expect(maskingOf({ edge_m: 10, strip_m: 0.5 }).sheet_m2).toBe(5);
});

test('a countertop’s load, a lid’s uplift, a groove’s width, a line’s length', () => {
  const load = counterLoad({
    outline: rectangle({ length_m: 2, width_m: 0.6 }),
    cutouts_m2: [0.2],
    thickness_m: 0.04,
    density_kg_m3: 2300,
    edges_m3: 0.001,
    length_m: 2,
  });
  expect(load.mass_kg).toBeCloseTo((1 * 0.04 + 0.001) * 2300, 9);
  expect(load.perArea_kg_m2).toBeCloseTo(load.mass_kg, 9);
  expect(load.perLength_kg_m).toBeCloseTo(load.mass_kg / 2, 9);
  expect(lidUplift({ density_kg_m3: 1000, depth_m: 0.1, area_m2: 2 })).toBeCloseTo(1000 * 9.80665 * 0.1 * 2, 9);
  expect([filledWidth({ groove_m: 0.01, blade_m: 0.006 }), filledWidth({ groove_m: 0.004, blade_m: 0.006 })]).toEqual([0.01, 0.006]);
  expect(
    lineLength([
      [0, 0],
      [3, 4],
      [3, 6],
    ]),
  ).toBe(7);
  expect(problemOf(() => lineLength([[0, 0]])).code).toBe('tooFew');
});

test('a width is the mean along the crack, whatever order it was read in', () => {
  expect(
    meanWidth([
      [0, 0.002],
      [1, 0.004],
      [3, 0.004],
    ]),
  ).toBeCloseTo((0.003 + 2 * 0.004) / 3, 12);
  expect(
    meanWidth([
      [3, 0.004],
      [0, 0.002],
      [1, 0.004],
    ]),
  ).toBeCloseTo((0.003 + 2 * 0.004) / 3, 12);
  expect(
    meanWidth([
      [1, 0.002],
      [1, 0.004],
    ]),
  ).toBeCloseTo(0.003, 12);
  expect(problemOf(() => meanWidth([])).code).toBe('outOfRange');
});

test('leaving a reading out by its hole gives what triangulating the rest gives', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 1e6 }), fc.integer({ min: 2, max: 14 }), (seed, count) => {
      const outline: [number, number][] = [
        [0, 0],
        [3, 0],
        [3, 1.2],
        [1.4, 1.1],
        [1.3, 3],
        [0, 3],
      ];
      const at = (i: number, k: number): number => (((Math.sin(seed * 12.9898 + i * 78.233 + k * 37.719) * 43758.5453) % 1) + 1) % 1;
      // In the lower leg of the L, where every place is inside.
      const readings: DepthReading[] = Array.from({ length: count }, (_, i) => [0.05 + at(i, 1) * 2.9, 0.05 + at(i, 2) * 1, 0.01 + at(i, 3) * 0.05]);
      const { volume_m3, range } = volumeFromReadings({ outline, readings, edge: 'feathered' });
      const plain = Math.max(
        0.05,
        ...readings.map((_, i) =>
          Math.abs(volumeFromReadings({ outline, readings: readings.filter((__, j) => j !== i), edge: 'feathered' }).volume_m3 / volume_m3 - 1),
        ),
      );
      expect(range).toBeCloseTo(plain, 9);
    }),
    { numRuns: 60 },
  );
});

test('readings on the outline or on one spot still give a range', () => {
  const outline = rectangle({ length_m: 2, width_m: 1 });
  const onEdge = volumeFromReadings({
    outline,
    readings: [
      [1, 0, 0.03],
      [1, 0.5, 0.04],
      [0.5, 0.5, 0.02],
    ],
    edge: 'feathered',
  });
  expect(onEdge.range).toBeGreaterThan(0.05);
  const twice = volumeFromReadings({
    outline,
    readings: [
      [1, 0.5, 0.04],
      [1, 0.5, 0.04],
      [0.5, 0.3, 0.02],
    ],
    edge: 'feathered',
  });
  expect(twice.volume_m3).toBeGreaterThan(0);
  expect(problemOf(() => volumeFromReadings({ outline, readings: [[3, 3, 0.04]], edge: 'feathered' })).figures).toEqual({ reading: 0 });
  expect(problemOf(() => volumeFromReadings({ outline: outline.slice(0, 2), readings: [[1, 0.5, 0.04]], edge: 'feathered' })).code).toBe('tooFew');
  expect(problemOf(() => volumeFromReadings({ outline, readings: [], edge: 'feathered' })).code).toBe('tooFew');
});

test('soundings: the whole when all ring, nothing when none does, two on one spot share it; the interval by hand', () => {
  const element = rectangle({ length_m: 4, width_m: 2 });
  const points: [number, number][] = [
    [1, 1],
    [3, 1],
    [3, 1],
  ];
  expect(hollowShare({ element, points, hollow: [0, 1, 2] }).share).toBeCloseTo(1, 12);
  expect(hollowShare({ element, points, hollow: [] }).share).toBe(0);
  expect(hollowShare({ element, points, hollow: [0] }).share).toBeCloseTo(0.5, 9);
  const z = 1.959963984540054;
  const [n, p] = [10, 0.3];
  const middle = (p + (z * z) / (2 * n)) / (1 + (z * z) / n);
  const half = (z / (1 + (z * z) / n)) * Math.sqrt((p * (1 - p)) / n + (z * z) / (4 * n * n));
  expect(wilson({ share: p, n })).toEqual({ low: middle - half, high: middle + half });
  expect(hollowInterval({ areas_m2: Array.from({ length: 10 }, () => 0.5), hollow: [0, 1, 2] }).low).toBeCloseTo(middle - half, 9);
  // A tap that nobody made counts for nothing, one counted twice only once.
  expect(hollowInterval({ areas_m2: [1, 1, 1], hollow: [0, 0, 9] })).toEqual(hollowInterval({ areas_m2: [1, 1, 1], hollow: [0] }));
  expect(hollowShare({ element, points, hollow: [0, 0, 9] }).share).toBeCloseTo(0.5, 9);
  expect(problemOf(() => hollowInterval({ areas_m2: [], hollow: [] })).code).toBe('tooFew');
  expect(problemOf(() => hollowShare({ element, points: [], hollow: [] })).code).toBe('tooFew');
});

test('outlines that are none are refused, and strips too long for their stock', () => {
  expect(
    problemOf(() =>
      polygonArea([
        [0, 0],
        [1, 1],
      ]),
    ).code,
  ).toBe('outlineTooShort');
  expect(problemOf(() => cutList({ parts_m: [3], stock_m: 2.44, kerf_m: 0.003 })).code).toBe('pieceTooLong');
  expect(cutList({ parts_m: [], stock_m: 2.44, kerf_m: 0.003 }).stocks).toEqual([]);
  // Thirteen pieces and more go first-fit: never more stocks than pieces, never a stock overfull.
  const many = cutList({ parts_m: Array.from({ length: 20 }, (_, i) => 0.3 + (i % 7) * 0.2), stock_m: 2.44, kerf_m: 0.003 });
  expect(many.stocks.flat().sort((a, b) => a - b)).toEqual(Array.from({ length: 20 }, (_, i) => i));
});

test.each(['cone', 'dish', 'pan'] as const)('a %s cut to a least depth holds what its floor and the rest of it hold', (shape) => {
  const n = { cone: 1, dish: 2, pan: 8 }[shape];
  for (const least_m of [0, 0.004, 0.015, 0.0299, 0.03, 0.05]) {
    // Rings from the middle to the rim.
    const rings = Array.from({ length: 4000 }, (_, i) => (i + 0.5) / 4000);
    const summed_m3 = rings.reduce((sum, r) => sum + (Math.max(least_m, 0.03 * (1 - r ** n)) * 2 * r) / 4000, 0) * 0.5;
    expect(volumeCutTo({ area_m2: 0.5, deepest_m: 0.03, shape, least_m })).toBeCloseTo(summed_m3, 6);
  }
  expect(volumeCutTo({ area_m2: 0.5, deepest_m: 0.03, shape, least_m: 0 })).toBe(volumeFromShape({ area_m2: 0.5, deepest_m: 0.03, shape }));
});
