import fc from 'fast-check';
import { hollowInterval, hollowShare, polygonArea, rectangle, volumeFromReadings, wilson, type DepthReading, type Point } from './index';
import { problemOf } from '../testing/problemOf';

const L: Point[] = [
  [0, 0],
  [2, 0],
  [2, 0.8],
  [0.8, 0.8],
  [0.8, 1.6],
  [0, 1.6],
];

const share = fc.double({ min: 0.05, max: 0.95, noNaN: true });
const depth = fc.double({ min: 0.002, max: 0.08, noNaN: true });
/** Readings inside the foot of the L, no two on one spot. */
const readings = fc
  .uniqueArray(fc.tuple(share, share, depth), {
    minLength: 2,
    maxLength: 12,
    selector: ([x, y]) => `${Math.round(x * 50)} ${Math.round(y * 50)}`,
  })
  .map((all) => all.map(([x, y, d]): DepthReading => [x * 2, y * 0.8, d]));

test('a volume does not depend on which corner comes first or which way round, and scales with the cube', () => {
  fc.assert(
    fc.property(readings, fc.integer({ min: 0, max: 5 }), fc.boolean(), (all, first, back) => {
      const { volume_m3 } = volumeFromReadings({ outline: L, readings: all, edge: 'feathered' });
      const turned = [...L.slice(first), ...L.slice(0, first)];
      const again = volumeFromReadings({ outline: back ? [...turned].reverse() : turned, readings: all, edge: 'feathered' });
      expect(again.volume_m3).toBeCloseTo(volume_m3, 9);
      const twice = volumeFromReadings({
        outline: L.map(([x, y]): Point => [2 * x, 2 * y]),
        readings: all.map(([x, y, d]): DepthReading => [2 * x, 2 * y, 2 * d]),
        edge: 'feathered',
      });
      expect(twice.volume_m3).toBeCloseTo(8 * volume_m3, 9);
    }),
    { numRuns: 60 },
  );
});

test('between the deepest everywhere and nothing; a square edge is never less than its cut depth; the range is at least 5 %', () => {
  fc.assert(
    fc.property(readings, (all) => {
      const deepest = Math.max(...all.map(([, , d]) => d));
      const feathered = volumeFromReadings({ outline: L, readings: all, edge: 'feathered' });
      const square = volumeFromReadings({ outline: L, readings: all, edge: 'square', cutDepth_m: 0.01 });
      const area = polygonArea(L);
      expect(feathered.volume_m3).toBeGreaterThan(0);
      expect(feathered.volume_m3).toBeLessThanOrEqual(area * deepest * (1 + 1e-9));
      expect(square.volume_m3).toBeGreaterThanOrEqual(area * 0.01 * (1 - 1e-9));
      expect(Math.min(feathered.range, square.range)).toBeGreaterThanOrEqual(0.05);
    }),
    { numRuns: 60 },
  );
});

test('readings on the outline break its edges; outside, too few and absurd ones are named', () => {
  const square = rectangle({ length_m: 1, width_m: 1 });
  const { volume_m3 } = volumeFromReadings({
    outline: square,
    readings: [
      [0.5, 0, 0.03],
      [0.5, 0.5, 0.03],
      [0.25, 0, 0.03],
    ],
    edge: 'feathered',
  });
  expect(volume_m3).toBeGreaterThan(0.01);
  expect(
    problemOf(() =>
      volumeFromReadings({
        outline: square,
        readings: [
          [0.5, 0.5, 0.02],
          [3, 3, 0.02],
        ],
        edge: 'feathered',
      }),
    ).figures,
  ).toMatchObject({ reading: 1 });
  expect(problemOf(() => volumeFromReadings({ outline: square, readings: [], edge: 'feathered' })).code).toBe('tooFew');
  expect(problemOf(() => volumeFromReadings({ outline: square, readings: [[0.5, 0.5, 2]], edge: 'feathered' })).code).toBe('outOfRange');
});

test('the same places read twice, at corners, on edges and inside, give the mean of both readings', () => {
  fc.assert(
    fc.property(readings, depth, depth, (all, atCorner, onEdge) => {
      const places: DepthReading[] = [...all, [0.8, 0.8, atCorner], [1, 0, onEdge]];
      const volume = (more: readonly DepthReading[]): number => volumeFromReadings({ outline: L, readings: [...places, ...more], edge: 'feathered' }).volume_m3;
      const deeper = places.map(([x, y, d]): DepthReading => [x, y, d * 1.5]);
      expect(volume(places)).toBeCloseTo(volume([]), 12);
      expect(volume(deeper)).toBeCloseTo(1.25 * volume([]), 12);
    }),
    { numRuns: 40 },
  );
});

test('soundings: the cells of the taps fill the element, all hollow is a share of one, and the interval holds the share', () => {
  fc.assert(
    fc.property(readings, fc.array(fc.integer({ min: 0, max: 11 }), { maxLength: 8 }), (all, rang) => {
      const points = all.map(([x, y]): Point => [x, y]);
      const hollow = rang.filter((i) => i < points.length);
      const { share: found, areas_m2 } = hollowShare({ element: L, points, hollow });
      expect(areas_m2.reduce((sum, area) => sum + area, 0)).toBeCloseTo(polygonArea(L), 9);
      expect(hollowShare({ element: L, points, hollow: points.map((_, i) => i) }).share).toBeCloseTo(1, 9);
      const { low, high } = hollowInterval({ areas_m2, hollow });
      expect(low).toBeLessThanOrEqual(found + 1e-9);
      expect(high).toBeGreaterThanOrEqual(found - 1e-9);
    }),
    { numRuns: 60 },
  );
  expect(problemOf(() => hollowShare({ element: L, points: [], hollow: [] })).code).toBe('tooFew');
  expect(problemOf(() => hollowInterval({ areas_m2: [], hollow: [] })).code).toBe('tooFew');
});

test('more taps narrow the interval', () => {
  const width = (n: number): number => {
    const { low, high } = wilson({ share: 0.3, n });
    return high - low;
  };
  expect(width(40)).toBeLessThan(width(10));
  expect(width(160)).toBeLessThan(width(40) / 1.9);
});
