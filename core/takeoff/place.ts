import type { Point } from './polygonArea';

/** The nearest place on a line of points: how far off it is, how far along, and where, m. */
export function nearestOnLine([x, y]: Point, line: readonly Point[], closed = false): { off_m: number; along_m: number; at: Point } {
  let best = { off_m: Infinity, along_m: 0, at: line[0]! };
  let gone = 0;
  const last = closed ? line.length : line.length - 1;
  for (let i = 0; i < last; i += 1) {
    const [ax, ay] = line[i]!;
    const [bx, by] = line[(i + 1) % line.length]!;
    const length = Math.hypot(bx - ax, by - ay);
    const t = length === 0 ? 0 : Math.min(1, Math.max(0, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / (length * length)));
    const at: Point = [ax + t * (bx - ax), ay + t * (by - ay)];
    const off_m = Math.hypot(x - at[0], y - at[1]);
    if (off_m < best.off_m) best = { off_m, along_m: gone + t * length, at };
    gone += length;
  }
  return best;
}

/** How far a place is from the nearest side of an outline, m, inside or out. */
export const distanceToOutline = (at: Point, outline: readonly Point[]): number => nearestOnLine(at, outline, true).off_m;

/**
 * Places at a fixed spacing along a straight string line, both ends held.
 *
 * @returns m, in order from the first end
 * @example stringLine({ from: [0, 0], to: [1, 0], spacing_m: 0.5 }) // [[0, 0], [0.5, 0], [1, 0]]
 */
export function stringLine({ from, to, spacing_m }: { from: Point; to: Point; spacing_m: number }): Point[] {
  const length = Math.hypot(to[0] - from[0], to[1] - from[1]);
  const steps = Math.max(1, Math.ceil(length / spacing_m - 1e-9));
  return Array.from({ length: steps + 1 }, (_, i): Point => {
    const t = Math.min(1, (i * spacing_m) / length);
    return [from[0] + t * (to[0] - from[0]), from[1] + t * (to[1] - from[1])];
  });
}

/** An ellipse as an outline of so many corners, with the area of the ellipse itself. */
export function ellipse({ middle, across_m, along_m, corners = 24 }: { middle: Point; across_m: number; along_m: number; corners?: number }): Point[] {
  // Corners on the ellipse would cut its area short: they lie a little outside.
  const grow = Math.sqrt(Math.PI / ((corners / 2) * Math.sin((2 * Math.PI) / corners)));
  return Array.from({ length: corners }, (_, i): Point => {
    const turn = (2 * Math.PI * i) / corners;
    return [middle[0] + (grow * across_m * Math.cos(turn)) / 2, middle[1] + (grow * along_m * Math.sin(turn)) / 2];
  });
}
