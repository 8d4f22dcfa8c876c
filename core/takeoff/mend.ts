import { crossesItself, inside, type Point } from './polygonArea';
import { nearestOnLine } from './place';

const ROUNDS = 1000;

/**
 * The corners of an outline that crosses itself, put in an order in which it does not: crossing sides are turned round
 * until none is left. The first corner stays the first.
 *
 * @example uncrossed([[0, 0], [1, 1], [1, 0], [0, 1]]) // [[0, 0], [1, 0], [1, 1], [0, 1]]
 */
export function uncrossed(outline: readonly Point[]): Point[] {
  const points = [...outline];
  const n = points.length;
  const length = (): number => points.reduce((sum, [x, y], i) => sum + Math.hypot(points[(i + 1) % n]![0] - x, points[(i + 1) % n]![1] - y), 0);
  // Each turn that shortens the way round takes a crossing out, and a shorter way cannot come back.
  for (let round = 0; round < ROUNDS && crossesItself(points); round += 1) {
    let best = { from: 0, to: 0, length: length() };
    for (let i = 1; i < n - 1; i += 1)
      for (let j = i + 1; j < n; j += 1) {
        reverse(points, i, j);
        const now = length();
        if (now < best.length - 1e-12) best = { from: i, to: j, length: now };
        reverse(points, i, j);
      }
    if (best.to === 0) break;
    reverse(points, best.from, best.to);
  }
  return points;
}

function reverse(points: Point[], from: number, to: number): void {
  for (let [i, j] = [from, to]; i < j; i += 1, j -= 1) [points[i], points[j]] = [points[j]!, points[i]!];
}

/** Which of the points lie outside an element, counted from 0. */
export const outsiders = (points: readonly Point[], outline: readonly Point[]): number[] =>
  points.flatMap((point, i) => (inside(point, outline) || nearestOnLine(point, outline, true).off_m < 1e-4 ? [] : [i]));

/** The points with those outside an element moved to its nearest edge. */
export const pulledInside = (points: readonly Point[], outline: readonly Point[]): Point[] => {
  const out = new Set(outsiders(points, outline));
  return points.map((point, i) => (out.has(i) ? nearestOnLine(point, outline, true).at : point));
};
