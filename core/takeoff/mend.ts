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

/** A tape is no finer, m. */
const ON_EDGE_M = 1e-4;
const onEdgeOf = (point: Point, outline: readonly Point[]): boolean => nearestOnLine(point, outline, true).off_m < ON_EDGE_M;

/** Which of the points lie outside an element or in one of its openings, counted from 0; its edges are its own. */
export const outsiders = (points: readonly Point[], outline: readonly Point[], openings: readonly (readonly Point[])[] = []): number[] =>
  points.flatMap((point, i) => {
    const off = !inside(point, outline) && !onEdgeOf(point, outline);
    return off || openings.some((opening) => inside(point, opening) && !onEdgeOf(point, opening)) ? [i] : [];
  });

/** The points with those outside an element or in an opening moved to the nearest edge. */
export function pulledInside(points: readonly Point[], outline: readonly Point[], openings: readonly (readonly Point[])[] = []): Point[] {
  const out = new Set(outsiders(points, outline, openings));
  const nearest = (point: Point): Point => {
    // Inside the outline only an opening's edge is the way out; outside it, its own.
    const edges = inside(point, outline) ? openings.filter((opening) => inside(point, opening)) : [outline];
    return edges.map((edge) => nearestOnLine(point, edge, true)).sort((a, b) => a.off_m - b.off_m)[0]!.at;
  };
  return points.map((point, i) => (out.has(i) ? nearest(point) : point));
}
