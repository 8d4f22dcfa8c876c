import Constrainautor from '@kninnug/constrainautor';
import Delaunator from 'delaunator';
import { inRange, Problem } from '../quantity';
import { TAKEOFF } from './constants';
import { inside, strictlyInside, type Point } from './polygonArea';

/** A depth at a place of the element, all m. */
export type DepthReading = readonly [x: number, y: number, depth_m: number];

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
  if (readings.length < 1) throw new Problem('tooFew', { quantity: 'readings', value: readings.length, least: 1 });
  checkReadings(outline, readings);
  const rim = edge === 'square' ? inRange({ quantity: 'cutDepth_m', value: cutDepth_m, least: 0, most: 1 }) : 0;
  const mesh = meshOf(outline, readings, rim);
  const volume_m3 = mesh.volumes.reduce((sum, part_m3) => sum + part_m3, 0);
  const range = readings.reduce((worst, _, i) => {
    if (readings.length < 2) return worst;
    return Math.max(worst, Math.abs(withoutReading(mesh, i, { outline, readings, rim }) - volume_m3) / volume_m3);
  }, TAKEOFF.readingsLeastRange);
  return { volume_m3, range };
}

/** @throws Problem `tooFew` corners, `outOfRange` for a depth, `outsideOutline` with the reading's number */
export function checkReadings(outline: readonly Point[], readings: readonly DepthReading[]): void {
  if (outline.length < 3) throw new Problem('tooFew', { quantity: 'outline', value: outline.length, least: 3 });
  readings.forEach(([x, y, depth_m], i) => {
    inRange({ quantity: 'depth_m', value: depth_m, least: 0, most: 1 });
    if (!inside([x, y], outline) && !onEdge([x, y], outline)) throw new Problem('outsideOutline', { reading: i });
  });
}

/**
 * The triangles of a spall's readings: the middle of each and the depth its corners promise there. For saying where to
 * read next; the same triangles as the volume's.
 */
export function depthMesh(input: { outline: readonly Point[]; readings: readonly DepthReading[]; edge: 'feathered' | 'square'; cutDepth_m?: number }): {
  middle: Point;
  depth_m: number;
  area_m2: number;
}[] {
  const { points, depths, corners, volumes } = meshOf(input.outline, input.readings, input.edge === 'square' ? (input.cutDepth_m ?? 0) : 0);
  return volumes.map((volume, t) => {
    const three = [0, 1, 2].map((k) => corners[3 * t + k]!);
    const mean = (of: (corner: number) => number): number => three.reduce((sum, corner) => sum + of(corner), 0) / 3;
    const depth_m = mean((corner) => depths[corner]!);
    return { middle: [mean((c) => points[c]![0]), mean((c) => points[c]![1])], depth_m, area_m2: depth_m > 0 ? volume / depth_m : 0 };
  });
}

/**
 * What readings say over a trend, straight between them and nothing at the outline: the triangles inside it, each with its
 * corners' places and what is said there.
 *
 * @param rests places inside the outline, with how much each reading lies over the trend there, m, negative where under
 */
export function restMesh(
  outline: readonly Point[],
  rests: readonly DepthReading[],
): { readonly corners: readonly Point[]; readonly rests: readonly number[] }[] {
  const { points, depths, corners } = meshOf(outline, rests, 0, -Infinity);
  return Array.from({ length: corners.length / 3 }, (_, t) => {
    const three = [0, 1, 2].map((k) => corners[3 * t + k]!);
    return { corners: three.map((corner) => points[corner]!), rests: three.map((corner) => depths[corner]!) };
  });
}

/** A triangulation inside an outline: corners three by three, and the volume over each triangle. */
interface Mesh {
  readonly points: readonly Point[];
  readonly depths: readonly number[];
  readonly corners: readonly number[];
  readonly volumes: readonly number[];
  /** the triangles that meet at each point */
  readonly around: readonly (readonly number[])[];
}

/** The triangulation of outline and readings, and at which of its points each reading lies. */
interface ReadMesh extends Mesh {
  readonly placeOf: readonly number[];
}

/** A hole without a dent holds its own edges already. */
function isConvex(ring: readonly Point[]): boolean {
  let sign = 0;
  for (let i = 0; i < ring.length; i += 1) {
    const [[ax, ay], [bx, by], [cx, cy]] = [ring[i]!, ring[(i + 1) % ring.length]!, ring[(i + 2) % ring.length]!];
    const turn = (bx - ax) * (cy - by) - (by - ay) * (cx - bx);
    // A straight corner may lie on the hull without being of it: constrained, to be sure.
    if (Math.abs(turn) < NEAR || turn * sign < 0) return false;
    sign = turn;
  }
  return true;
}

function triangulate(points: readonly Point[], edges: readonly (readonly [number, number])[]): Uint32Array {
  const plain = points.map(([x, y]): [number, number] => [x, y]);
  const delaunay = Delaunator.from(plain);
  if (edges.length === points.length && isConvex(points)) return delaunay.triangles;
  const constrained = new Constrainautor(delaunay);
  for (const [a, b] of edges) constrained.constrainOne(a, b);
  return delaunay.triangles;
}

/** Readings at one place count as their mean, one at a corner of the outline in that corner's stead: a triangulation knows no two points at one place. */
function meshOf(outline: readonly Point[], readings: readonly DepthReading[], rim: number, least = rim): ReadMesh {
  const points: Point[] = [...outline];
  const read: number[][] = outline.map(() => []);
  const placeOf = readings.map(([x, y, depth_m]) => {
    const known = points.findIndex(([px, py]) => Math.hypot(px - x, py - y) < NEAR);
    const place = known === -1 ? points.push([x, y]) - 1 : known;
    (read[place] ??= []).push(depth_m);
    return place;
  });
  const depths = read.map((there) => (there.length === 0 ? rim : Math.max(least, sumOf(there) / there.length)));
  return { ...keptInside({ points, depths, outline, triangles: triangulate(points, edgesOf(outline, points)) }), placeOf };
}

function keptInside({
  points,
  depths,
  outline,
  triangles,
}: {
  points: readonly Point[];
  depths: readonly number[];
  outline: readonly Point[];
  triangles: Uint32Array;
}): Mesh {
  const corners: number[] = [];
  const volumes: number[] = [];
  const around: number[][] = points.map(() => []);
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [triangles[t]!, triangles[t + 1]!, triangles[t + 2]!];
    const [[ax, ay], [bx, by], [cx, cy]] = [points[a]!, points[b]!, points[c]!];
    const area = Math.abs((bx - ax) * (cy - ay) - (cx - ax) * (by - ay)) / 2;
    if (area < NEAR * NEAR || !strictlyInside([(ax + bx + cx) / 3, (ay + by + cy) / 3], outline)) continue;
    for (const corner of [a, b, c]) around[corner]!.push(volumes.length);
    corners.push(a, b, c);
    volumes.push((area * (depths[a]! + depths[b]! + depths[c]!)) / 3);
  }
  return { points, depths, corners, volumes, around };
}

/**
 * The volume with one reading left out. Only the triangles that meet at it change: the hole they leave is triangulated
 * again from its own corners.
 */
function withoutReading(mesh: ReadMesh, reading: number, all: { outline: readonly Point[]; readings: readonly DepthReading[]; rim: number }): number {
  const at = mesh.placeOf[reading]!;
  const star = mesh.around[at]!;
  const alone = mesh.placeOf.indexOf(at) === mesh.placeOf.lastIndexOf(at);
  const ring = alone ? ringAround(mesh, at, star) : null;
  // A reading on the outline has no closed ring, and with another one at its place it leaves none: all is triangulated again.
  if (!ring)
    return sumOf(
      meshOf(
        all.outline,
        all.readings.filter((_, i) => i !== reading),
        all.rim,
      ).volumes,
    );
  const kept = sumOf(mesh.volumes) - star.reduce((sum, t) => sum + mesh.volumes[t]!, 0);
  const hole = ring.map((corner) => mesh.points[corner]!);
  const depths = ring.map((corner) => mesh.depths[corner]!);
  const edges = hole.map((_, i): [number, number] => [i, (i + 1) % hole.length]);
  return kept + sumOf(keptInside({ points: hole, depths, outline: hole, triangles: triangulate(hole, edges) }).volumes);
}

const sumOf = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0);

/** The corners around a point in their order, or null where they do not close. */
function ringAround({ corners }: Mesh, at: number, star: readonly number[]): number[] | null {
  const after = new Map<number, number>();
  for (const t of star) {
    const [a, b, c] = [corners[3 * t]!, corners[3 * t + 1]!, corners[3 * t + 2]!];
    if (a === at) after.set(b, c);
    else if (b === at) after.set(c, a);
    else after.set(a, b);
  }
  const [first] = after.keys();
  if (first === undefined) return null;
  const ring: number[] = [];
  for (let corner: number | undefined = first; corner !== undefined && ring.length <= star.length; corner = after.get(corner)) {
    if (corner === first && ring.length > 0) return ring.length === star.length ? ring : null;
    ring.push(corner);
  }
  return null;
}

/** The outline's edges, broken at readings that lie on them. */
function edgesOf(outline: readonly Point[], points: readonly Point[]): [number, number][] {
  return outline.flatMap((from, i) => {
    const j = (i + 1) % outline.length;
    const to = outline[j]!;
    const along = ([x, y]: Point): number => (x - from[0]) * (to[0] - from[0]) + (y - from[1]) * (to[1] - from[1]);
    const on = points
      .map((point, k) => ({ point, k }))
      .filter(({ point, k }) => k >= outline.length && distance(point, from, to) < NEAR)
      .sort((first, other) => along(first.point) - along(other.point))
      .map(({ k }) => k);
    const chain = [i, ...on, j];
    return chain.slice(1).map((end, k): [number, number] => [chain[k]!, end]);
  });
}

function distance([x, y]: Point, [ax, ay]: Point, [bx, by]: Point): number {
  const length2 = (bx - ax) ** 2 + (by - ay) ** 2;
  const share = Math.min(1, Math.max(0, length2 === 0 ? 0 : ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / length2));
  return Math.hypot(x - ax - share * (bx - ax), y - ay - share * (by - ay));
}

const onEdge = (point: Point, outline: readonly Point[]): boolean =>
  outline.some((from, i) => distance(point, from, outline[(i + 1) % outline.length]!) < NEAR);
