import { polygonArea as signedArea, polygonContains, polygonLength } from 'd3-polygon';
import { Problem } from '../quantity';

/** A place in an element's own plane, m. */
export type Point = readonly [x_m: number, y_m: number];

/** The same corners as the library's own type, which may be written to and is not. */
const pairs = (outline: readonly Point[]): [number, number][] => outline as unknown as [number, number][];

const cross = (o: Point, a: Point, b: Point): number => (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0]);

/** Whether two segments touch or cross. */
function meet(a: Point, b: Point, c: Point, d: Point): boolean {
  const d1 = cross(c, d, a);
  const d2 = cross(c, d, b);
  const d3 = cross(a, b, c);
  const d4 = cross(a, b, d);
  return d1 * d2 < 0 && d3 * d4 < 0;
}

/** Whether any two sides of an outline cross. */
export function crossesItself(outline: readonly Point[]): boolean {
  const n = outline.length;
  for (let i = 0; i < n; i += 1)
    for (let j = i + 2; j < n; j += 1) {
      if (i === 0 && j === n - 1) continue;
      if (meet(outline[i]!, outline[(i + 1) % n]!, outline[j]!, outline[(j + 1) % n]!)) return true;
    }
  return false;
}

/**
 * Area of an outline by the shoelace, whichever way round it is listed and wherever it starts.
 *
 * @param outline three or more corners, m
 * @returns m2
 * @throws Problem `outlineTooShort`, `outlineCrosses`, `outlineVanishes`
 */
export function polygonArea(outline: readonly Point[]): number {
  if (outline.length < 3) throw new Problem('outlineTooShort', { corners: outline.length });
  if (crossesItself(outline)) throw new Problem('outlineCrosses', { corners: outline.length });
  const area = Math.abs(signedArea(pairs(outline)));
  if (area < 1e-8) throw new Problem('outlineVanishes', { area_m2: area });
  return area;
}

/** Corners of a rectangle, the first at `at`. */
export function rectangle({ length_m, width_m, at = [0, 0] }: { length_m: number; width_m: number; at?: Point }): Point[] {
  const [x, y] = at;
  return [
    [x, y],
    [x + length_m, y],
    [x + length_m, y + width_m],
    [x, y + width_m],
  ];
}

/** Length of an outline all the way round, m. */
export const perimeter = (outline: readonly Point[]): number => polygonLength(pairs(outline));

/** Whether a point lies in an outline, its sides included to a tenth of a millimetre. */
export function inside([x, y]: Point, outline: readonly Point[]): boolean {
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i, i += 1) {
    const [x1, y1] = outline[i]!;
    const [x2, y2] = outline[j]!;
    const length = Math.hypot(x2 - x1, y2 - y1);
    const along = ((x - x1) * (x2 - x1) + (y - y1) * (y2 - y1)) / (length * length || 1);
    if (along >= 0 && along <= 1 && Math.abs((x2 - x1) * (y - y1) - (y2 - y1) * (x - x1)) <= 1e-4 * length) return true;
  }
  return strictlyInside([x, y], outline);
}

/** The same without any allowance at the outline: by how often a ray crosses it. */
export const strictlyInside = ([x, y]: Point, outline: readonly Point[]): boolean => polygonContains(pairs(outline), [x, y]);

/** Length of a line through its points, m. @throws Problem `tooFew` under two points */
export function lineLength(line: readonly Point[]): number {
  if (line.length < 2) throw new Problem('tooFew', { quantity: 'line', value: line.length, least: 2 });
  return line.slice(1).reduce((sum, [x, y], i) => sum + Math.hypot(x - line[i]![0], y - line[i]![1]), 0);
}
