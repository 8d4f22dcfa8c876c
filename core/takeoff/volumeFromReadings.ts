import Constrainautor from '@kninnug/constrainautor';
import { Delaunay } from 'd3-delaunay';
import { inRange, Problem } from '../quantity';
import { inside, type Point } from './polygonArea';

/** A depth at a place of the element, all m. */
export type DepthReading = readonly [x: number, y: number, depth_m: number];

/** The range is never told narrower than this. *default* */
export const READINGS_LEAST_RANGE = 0.05;

const NEAR = 1e-9;

/**
 * Volume of a spall from depth readings: a triangulation of readings and outline, constrained by the outline's edges,
 * no points added, triangles outside dropped; each triangle its area times its mean depth.
 *
 * @param outline m, three corners or more, not crossing itself
 * @param readings places inside the outline with their depth
 * @param edge `feathered`: the outline lies at depth 0; `square`: at the cut depth, and no reading counts less
 * @returns m3, and the range: the largest change that leaving out one reading makes, relative, at least 5 %
 * @throws Problem `tooFew`, `outOfRange` for a depth, `outsideOutline` with the reading's number
 */
export function volumeFromReadings(input: {
  outline: readonly Point[];
  readings: readonly DepthReading[];
  edge: 'feathered' | 'square';
  cutDepth_m?: number;
}): { volume_m3: number; range: number } {
  const { outline, readings, edge, cutDepth_m = 0 } = input;
  if (outline.length < 3) throw new Problem('tooFew', { quantity: 'outline', value: outline.length, least: 3 });
  if (readings.length < 1) throw new Problem('tooFew', { quantity: 'readings', value: readings.length, least: 1 });
  readings.forEach(([x, y, depth_m], i) => {
    inRange({ quantity: 'depth_m', value: depth_m, least: 0, most: 1 });
    if (!inside([x, y], outline) && !onEdge([x, y], outline)) throw new Problem('outsideOutline', { reading: i });
  });
  const rim = edge === 'square' ? inRange({ quantity: 'cutDepth_m', value: cutDepth_m, least: 0, most: 1 }) : 0;
  const volume_m3 = volumeOf(outline, readings, rim);
  const range = readings.reduce((worst, _, i) => {
    if (readings.length < 2) return worst;
    const without = volumeOf(
      outline,
      readings.filter((__, j) => j !== i),
      rim,
    );
    return Math.max(worst, Math.abs(without - volume_m3) / volume_m3);
  }, READINGS_LEAST_RANGE);
  return { volume_m3, range };
}

function volumeOf(outline: readonly Point[], readings: readonly DepthReading[], rim: number): number {
  const points = [...outline.map(([x, y]) => [x, y] as [number, number]), ...readings.map(([x, y]) => [x, y] as [number, number])];
  const depths = [...outline.map(() => rim), ...readings.map(([, , depth_m]) => Math.max(depth_m, rim))];
  const delaunay = (Delaunay.from(points) as unknown as { _delaunator: { triangles: Uint32Array; coords: Float64Array } })._delaunator;
  const constrained = new Constrainautor(delaunay as never);
  for (const [a, b] of edgesOf(outline, points)) constrained.constrainOne(a, b);
  const { triangles } = delaunay;
  let volume = 0;
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [triangles[t] as number, triangles[t + 1] as number, triangles[t + 2] as number];
    const [[ax, ay], [bx, by], [cx, cy]] = [points[a]!, points[b]!, points[c]!];
    const area = Math.abs((bx - ax) * (cy - ay) - (cx - ax) * (by - ay)) / 2;
    if (area < NEAR * NEAR || !inside([(ax + bx + cx) / 3, (ay + by + cy) / 3], outline)) continue;
    volume += (area * (depths[a]! + depths[b]! + depths[c]!)) / 3;
  }
  return volume;
}

/** The outline's edges, broken at readings that lie on them. */
function edgesOf(outline: readonly Point[], points: readonly Point[]): [number, number][] {
  return outline.flatMap((from, i) => {
    const j = (i + 1) % outline.length;
    const to = outline[j] as Point;
    const along = ([x, y]: Point): number => (x - from[0]) * (to[0] - from[0]) + (y - from[1]) * (to[1] - from[1]);
    const on = points
      .map((point, k) => ({ point, k }))
      .filter(({ point, k }) => k >= outline.length && distance(point, from, to) < NEAR)
      .sort((one, other) => along(one.point) - along(other.point))
      .map(({ k }) => k);
    const chain = [i, ...on, j];
    return chain.slice(1).map((end, k): [number, number] => [chain[k] as number, end]);
  });
}

function distance([x, y]: Point, [ax, ay]: Point, [bx, by]: Point): number {
  const length2 = (bx - ax) ** 2 + (by - ay) ** 2;
  const share = Math.min(1, Math.max(0, length2 === 0 ? 0 : ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / length2));
  return Math.hypot(x - ax - share * (bx - ax), y - ay - share * (by - ay));
}

const onEdge = (point: Point, outline: readonly Point[]): boolean =>
  outline.some((from, i) => distance(point, from, outline[(i + 1) % outline.length] as Point) < NEAR);
