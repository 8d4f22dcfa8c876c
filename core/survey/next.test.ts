import fc from 'fast-check';
import { spreadOf } from '../quantity';
import { depthMesh, rectangle, spallVolume, TAKEOFF, wilson, type DepthReading } from '../takeoff';
import { problemOf } from '../testing/problemOf';
import { readingsToHalve, soundingGrid, tapsToHalve } from './index';

test('about four times the taps halve an interval, never fewer than are needed', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.05, max: 0.95, noNaN: true }), fc.integer({ min: 10, max: 400 }), (share, n) => {
      const { more, then } = tapsToHalve({ share, n });
      const width = (taps: number): number => wilson({ share, n: taps }).high - wilson({ share, n: taps }).low;
      expect(then.high - then.low).toBeLessThanOrEqual(width(n) / 2 + 1e-9);
      expect(width(n + more - 2)).toBeGreaterThan(width(n) / 2);
      expect(more).toBeGreaterThan(2 * n);
    }),
  );
});

test('the grid walks to and fro inside the outline, each place about a spacing from the last', () => {
  const L: [number, number][] = [
    [0, 0],
    [3, 0],
    [3, 1],
    [1, 1],
    [1, 2],
    [0, 2],
  ];
  const grid = soundingGrid({ outline: L, spacing_m: 0.5 });
  expect(grid).toHaveLength(16);
  expect(grid[0]).toEqual([0.25, 0.25]);
  expect(grid[6]).toEqual([2.75, 0.75]);
  expect(soundingGrid({ outline: rectangle({ length_m: 0.2, width_m: 0.1 }), spacing_m: 0.5 })).toEqual([[0.1, 0.05]]);
  expect(problemOf(() => soundingGrid({ outline: rectangle({ length_m: 90, width_m: 90 }), spacing_m: 0.3 })).code).toBe('tooManyTaps');
  expect(problemOf(() => soundingGrid({ outline: L, spacing_m: 0 })).code).toBe('outOfRange');
});

const outline = rectangle({ length_m: 2, width_m: 1 });

test('the next depths go where they narrow the range, and halve it where they can', () => {
  const readings: DepthReading[] = [
    [0.3, 0.3, 0.01],
    [1.7, 0.5, 0.05],
    [0.4, 0.8, 0.012],
  ];
  const { at, range, then } = readingsToHalve({ outline, readings, rim_m: 0, deepest_m: 0.05, shape: 'dish' });
  expect(range).toBe(spreadOf(spallVolume({ outline, readings, rim_m: 0, deepest_m: 0.05, shape: 'dish' }).sigma));
  expect(at.length).toBeGreaterThan(0);
  expect(then).toBeLessThan(range);
  expect(at.every(([x, y]) => x > 0 && x < 2 && y > 0 && y < 1)).toBe(true);
});

test('where the range is as narrow as it is told nothing more is asked', () => {
  const flat: DepthReading[] = [
    [0.5, 0.3, 0.02],
    [1.5, 0.3, 0.02],
    [1, 0.7, 0.02],
    [1, 0.5, 0.02],
  ];
  const least = spreadOf(TAKEOFF.readingsSigma);
  expect(readingsToHalve({ outline, readings: flat, rim_m: 0.02, deepest_m: 0.02, shape: 'pan' })).toEqual({ at: [], range: least, then: least });
});

test('a sketch of depths with nothing read: the cut everywhere, or nothing', () => {
  expect(depthMesh({ outline, readings: [], edge: 'square', cutDepth_m: 0.02 }).reduce((sum, { area_m2 }) => sum + area_m2, 0)).toBeCloseTo(2, 9);
  expect(depthMesh({ outline, readings: [], edge: 'feathered' }).every(({ depth_m }) => depth_m === 0)).toBe(true);
});
