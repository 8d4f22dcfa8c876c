import { Delaunay } from 'd3-delaunay';
import polygonClipping from 'polygon-clipping';
import { inRange, Problem } from '../quantity';
import { TAKEOFF } from './constants';
import { inside, polygonArea, type Point } from './polygonArea';

/** From where to where a share may lie. */
export interface Interval {
  readonly low: number;
  readonly high: number;
}

/**
 * Wilson's interval of a share seen in n tries.
 *
 * @param share 0 to 1
 * @param n tries, over 0; need not be whole
 * @throws Problem `outOfRange`
 */
export function wilson({ share, n, z = TAKEOFF.z95 }: { share: number; n: number; z?: number }): Interval {
  inRange({ quantity: 'share', value: share, least: 0, most: 1 });
  inRange({ quantity: 'n', value: n, least: 1e-9, most: 1e9 });
  const bottom = 1 + (z * z) / n;
  const middle = (share + (z * z) / (2 * n)) / bottom;
  const half = (z / bottom) * Math.sqrt((share * (1 - share)) / n + (z * z) / (4 * n * n));
  return { low: Math.max(0, middle - half), high: Math.min(1, middle + half) };
}

/**
 * How many equal taps unequal ones are worth: `(sum a)^2 / sum a^2`, at most the taps.
 *
 * @throws Problem `outOfRange`, `tooFew`
 */
export function effectiveTaps(areas_m2: readonly number[]): number {
  if (areas_m2.length === 0) throw new Problem('tooFew', { quantity: 'areas_m2', value: 0, least: 1 });
  const all = areas_m2.reduce((sum, area) => sum + inRange({ quantity: 'area_m2', value: area, least: 0, most: 1e6 }), 0);
  return Math.min(areas_m2.length, (all * all) / areas_m2.reduce((sum, area) => sum + area * area, 0));
}

/**
 * The interval of a hollow share from taps that stand for unequal areas: Wilson with
 * `n_eff = (sum a)^2 / sum a^2`, at most the taps.
 *
 * @param areas_m2 what each tap stands for
 * @param hollow which taps rang hollow, counted from 0
 * @throws Problem `outOfRange`, `tooFew`
 */
export function hollowInterval({ areas_m2, hollow }: { areas_m2: readonly number[]; hollow: readonly number[] }): Interval {
  const n = effectiveTaps(areas_m2);
  const all = areas_m2.reduce((sum, area) => sum + area, 0);
  const rang = [...new Set(hollow)].reduce((sum, i) => sum + (areas_m2[i] ?? 0), 0);
  return wilson({ share: Math.min(1, rang / all), n });
}

/** Whether the box around a cell touches the box around any side of an outline. */
function nearSide(cell: readonly Point[], outline: readonly Point[]): boolean {
  const box = (ends: readonly Point[]) => ({ left: low(ends, 0), right: -low(ends, 0, -1), top: low(ends, 1), bottom: -low(ends, 1, -1) });
  const cellBox = box(cell);
  return outline.some((a, i) => {
    const side = box([a, outline[(i + 1) % outline.length]!]);
    return side.left <= cellBox.right && cellBox.left <= side.right && side.top <= cellBox.bottom && cellBox.top <= side.bottom;
  });
}

/** A closed ring by the shoelace: cells on a regular grid have corners that nearly coincide, and cross by a rounding. */
const ringArea = (ring: readonly Point[]): number => Math.abs(ring.slice(1).reduce((sum, [x, y], i) => sum + ring[i]![0] * y - x * ring[i]![1], 0)) / 2;

const low = (ends: readonly Point[], axis: 0 | 1, sign = 1): number => ends.reduce((least, end) => Math.min(least, sign * end[axis]), Infinity);

/**
 * Share of an element that rings hollow: each tap stands for the part of the element nearest to it.
 *
 * @param element outline, m
 * @param openings holes in it, m: they belong to no tap
 * @param points where it was tapped, m
 * @param hollow which taps rang hollow, counted from 0
 * @returns the share, and the area each tap stands for, m2
 * @throws Problem `tooFew` without a tap
 */
export function hollowShare(input: {
  element: readonly Point[];
  openings?: readonly (readonly Point[])[];
  points: readonly Point[];
  hollow: readonly number[];
}): { share: number; areas_m2: number[] } {
  const { element, openings = [], points, hollow } = input;
  if (points.length === 0) throw new Problem('tooFew', { quantity: 'points', value: 0, least: 1 });
  const rings = [element, ...openings].map((ring) => ring.map(([x, y]): [number, number] => [x, y]));
  const [xs, ys] = [[...element, ...points].map(([x]) => x), [...element, ...points].map(([, y]) => y)];
  const cells = Delaunay.from(points.map(([x, y]): [number, number] => [x, y])).voronoi([
    Math.min(...xs) - 1,
    Math.min(...ys) - 1,
    Math.max(...xs) + 1,
    Math.max(...ys) + 1,
  ]);
  const areas_m2 = points.map((_, i) => {
    const cell = cells.cellPolygon(i);
    // Two taps on one spot share a cell: the later one stands for nothing of its own.
    if (!cell) return 0;
    // Away from every side a cell lies wholly inside or outside: most of a large grid needs no clipping.
    if (!rings.some((ring) => nearSide(cell as [number, number][], ring))) {
      const at = points[i]!;
      return inside(at, element) && !openings.some((opening) => inside(at, opening)) ? ringArea(cell as [number, number][]) : 0;
    }
    return polygonClipping
      .intersection(rings, [cell as [number, number][]])
      .reduce(
        (sum, [outer, ...holes]) => sum + (outer ? polygonArea(outer.slice(0, -1)) : 0) - holes.reduce((cut, hole) => cut + polygonArea(hole.slice(0, -1)), 0),
        0,
      );
  });
  const whole = areas_m2.reduce((sum, area) => sum + area, 0);
  return { share: [...new Set(hollow)].reduce((sum, i) => sum + (areas_m2[i] ?? 0), 0) / whole, areas_m2 };
}
