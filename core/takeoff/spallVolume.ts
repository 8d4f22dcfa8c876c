import { inRange, Problem, sigmaOf } from '../quantity';
import { TAKEOFF } from './constants';
import { polygonArea, type Point } from './polygonArea';
import { checkReadings, restMesh, volumeFromReadings, type DepthReading } from './volumeFromReadings';
import type { SpallShape } from './volumeFromShape';

/** A spall as its volume is estimated from depths read in it. */
export interface ReadSpall {
  /** m, three corners or more, not crossing itself */
  readonly outline: readonly Point[];
  /** places inside the outline with their depth, three or more */
  readonly readings: readonly DepthReading[];
  /** what the edge starts from: 0 where it is feathered, the cut's depth where it is sawn, m */
  readonly rim_m: number;
  /** the deepest anybody found, wherever that was, m */
  readonly deepest_m: number;
  readonly shape: SpallShape;
}

/** A reading with its share of the way from the edge to the middle. */
interface Seen {
  readonly reading: DepthReading;
  readonly u: number;
}

/** How a spall deepens from its edge: D (1 - (1 - u)^p) under the rim. */
interface Trend {
  readonly D_m: number;
  readonly p: number;
}

/** A spall's volume as depths read in it make it likely. */
export interface SpallVolume {
  readonly volume_m3: number;
  /** standard deviation of its logarithm */
  readonly sigma: number;
  /** the same where every place is cut down to at least a depth, m: m3, each depth worked out once */
  readonly cutTo: (least_m: number) => number;
}

/**
 * Volume of a spall from depth readings. A hollow is rounded: straight lines between readings and a feathered edge lie
 * inside it. So a trend from the edge to the middle is fitted first, with the person's shape as its prior, and the rest
 * of each reading is laid straight over a triangulation, nothing at the outline.
 *
 * @returns with a sigma made of a floor for what no reading sees, and what leaving out one reading at a time changes
 * @throws Problem `tooFew`, `outOfRange` for a depth, `outsideOutline` with the reading's number
 * @source trend and rest after the simulated damage they were tried on; median 1.01, sd of ln 0.12
 */
export function spallVolume(spall: ReadSpall): SpallVolume {
  const { outline, readings, rim_m, deepest_m } = spall;
  if (readings.length < TAKEOFF.readingsLeast) throw new Problem('tooFew', { quantity: 'readings', value: readings.length, least: TAKEOFF.readingsLeast });
  checkReadings(outline, readings);
  inRange({ quantity: 'deepest_m', value: deepest_m, least: 0, most: 1 });
  const ground = groundOf(outline);
  const seen = readings.map((reading): Seen => ({ reading, u: ground.share(reading[0], reading[1]) }));
  // A sliver thinner than the grid has no middle to deepen towards.
  if (!ground.hasMiddle) {
    const squareTo = (cutDepth_m: number): ReturnType<typeof volumeFromReadings> => volumeFromReadings({ outline, readings, edge: 'square', cutDepth_m });
    const { volume_m3, range } = squareTo(rim_m);
    return { volume_m3, sigma: Math.max(TAKEOFF.readingsSigma, sigmaOf(range)), cutTo: (least_m) => squareTo(Math.max(rim_m, least_m)).volume_m3 };
  }
  const found = deepestOf(seen);
  const tapped = depthsOver(ground, seen, { ...spall, deepest_m: found });
  // The deepest that was typed and not tapped stays when a reading is left out, and is left out in its turn.
  const typed = deepest_m > found;
  const ways = typed ? [tapped, depthsOver(ground, seen, spall)] : [tapped];
  // A deepest that was typed bends the trend towards a cone where the readings are shallow: it never makes a spall smaller.
  const known = new Map<number, number>();
  const cutTo = (least_m: number): number => {
    const volume_m3 = known.get(least_m) ?? Math.max(...ways.map((depths) => volumeOf(ground, depths, Math.max(rim_m, least_m))));
    known.set(least_m, volume_m3);
    return volume_m3;
  };
  const volume_m3 = cutTo(rim_m);
  const without = leftOut(seen.length).map((i) => {
    const rest = seen.filter((_, k) => k !== i);
    return volumeOf(ground, depthsOver(ground, rest, { ...spall, deepest_m: typed ? deepest_m : deepestOf(rest) }), rim_m);
  });
  if (typed) without.push(volumeOf(ground, tapped, rim_m));
  const mean2 = without.reduce((sum, less_m3) => sum + Math.log(less_m3 / volume_m3) ** 2, 0) / without.length;
  return { volume_m3, sigma: Math.sqrt(TAKEOFF.readingsSigma ** 2 + TAKEOFF.leftOutShare ** 2 * mean2), cutTo };
}

const deepestOf = (seen: readonly Seen[]): number => seen.reduce((most, { reading: [, , depth_m] }) => Math.max(most, depth_m), 0);

/**
 * How deep a spall is estimated to be at a place: trend and rest, as its volume has them.
 *
 * @returns m, from the rim to 1
 */
export function spallDepth(spall: ReadSpall): (at: Point) => number {
  const { outline, rim_m } = spall;
  const ground = groundOf(outline);
  const seen = spall.readings.map((reading): Seen => ({ reading, u: ground.share(reading[0], reading[1]) }));
  const trend = trendOf(seen, spall);
  const triangles = restMesh(outline, restsOf(seen, trend, rim_m));
  return ([x, y]) => {
    let depth_m = rim_m + trend.D_m * bowl(ground.share(x, y), trend.p);
    for (const triangle of triangles) {
      const [wa, wb, wc] = weightsOf(triangle.corners, x, y);
      if (wa < 0 || wb < 0 || wc < 0) continue;
      depth_m += triangle.rests[0]! * wa + triangle.rests[1]! * wb + triangle.rests[2]! * wc;
      break;
    }
    return Math.min(1, Math.max(rim_m, depth_m));
  };
}

/** How much each corner of a triangle counts at a place; one is negative outside. */
function weightsOf([a, b, c]: readonly Point[], x: number, y: number): readonly [number, number, number] {
  const [[ax, ay], [bx, by], [cx, cy]] = [a!, b!, c!];
  const twice = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay);
  const wb = ((x - ax) * (cy - ay) - (cx - ax) * (y - ay)) / twice;
  const wc = ((bx - ax) * (y - ay) - (x - ax) * (by - ay)) / twice;
  return [1 - wb - wc, wb, wc];
}

/** How much of each reading lies over the trend, m. */
const restsOf = (seen: readonly Seen[], { D_m, p }: Trend, rim_m: number): DepthReading[] =>
  seen.map(({ u, reading: [x, y, depth_m] }) => [x, y, depth_m - rim_m - D_m * bowl(u, p)]);

/** Which readings are left out, one at a time: all of few, as many of a large survey as say the same. */
function leftOut(count: number): number[] {
  const step = Math.max(1, count / TAKEOFF.leftOutMost);
  return Array.from({ length: Math.min(count, TAKEOFF.leftOutMost) }, (_, i) => Math.floor(i * step));
}

/** The inside of an outline as a grid. */
interface Ground {
  readonly outline: readonly Point[];
  readonly area_m2: number;
  readonly from: Point;
  readonly cell_m: number;
  readonly columns: number;
  readonly rows: number;
  /** for each cell ln(1 - u), u its middle's share of the way from the edge to where it is farthest; NaN outside */
  readonly left: Float64Array;
  readonly share: (x: number, y: number) => number;
  /** whether any cell lies inside */
  readonly hasMiddle: boolean;
}

function groundOf(outline: readonly Point[]): Ground {
  const [xs, ys] = [outline.map(([x]) => x), outline.map(([, y]) => y)];
  const from: Point = [Math.min(...xs), Math.min(...ys)];
  const [width, height] = [Math.max(...xs) - from[0], Math.max(...ys) - from[1]];
  const cell_m = Math.max(width, height) / TAKEOFF.gridCells;
  const [columns, rows] = [Math.max(1, Math.ceil(width / cell_m)), Math.max(1, Math.ceil(height / cell_m))];
  const left = new Float64Array(columns * rows).fill(NaN);
  let most_m = 0;
  for (let row = 0; row < rows; row += 1) {
    const y = from[1] + (row + 0.5) * cell_m;
    const crossed = crossings(y, outline);
    for (let column = 0; column < columns; column += 1) {
      const x = from[0] + (column + 0.5) * cell_m;
      // Between the first side of a row and the second is inside, between the second and the third outside, and so on.
      if (crossed.filter((at) => at < x).length % 2 === 0) continue;
      const edge_m = toEdge(x, y, outline);
      left[row * columns + column] = edge_m;
      most_m = Math.max(most_m, edge_m);
    }
  }
  const share = (x: number, y: number): number => Math.min(1, toEdge(x, y, outline) / Math.max(most_m, 1e-9));
  return {
    outline,
    area_m2: polygonArea(outline),
    from,
    cell_m,
    columns,
    rows,
    left: left.map((edge_m) => Math.log(1 - edge_m / most_m)),
    share,
    hasMiddle: most_m > 0,
  };
}

/** Where the sides of an outline cross a height, m. */
const crossings = (y: number, outline: readonly Point[]): number[] =>
  outline.flatMap(([bx, by], i) => {
    const [ax, ay] = outline[(i + outline.length - 1) % outline.length]!;
    return ay > y === by > y ? [] : [ax + ((y - ay) / (by - ay)) * (bx - ax)];
  });

/** How far a place is from the nearest side, m. */
function toEdge(x: number, y: number, outline: readonly Point[]): number {
  let least = Infinity;
  for (let i = 0, j = outline.length - 1; i < outline.length; j = i, i += 1) {
    const [[ax, ay], [bx, by]] = [outline[j]!, outline[i]!];
    const length2 = (bx - ax) ** 2 + (by - ay) ** 2;
    const share = length2 === 0 ? 0 : Math.min(1, Math.max(0, ((x - ax) * (bx - ax) + (y - ay) * (by - ay)) / length2));
    least = Math.min(least, (x - ax - share * (bx - ax)) ** 2 + (y - ay - share * (by - ay)) ** 2);
  }
  return Math.sqrt(least);
}

const bowl = (u: number, p: number): number => 1 - Math.exp(p * Math.log(1 - u));

/** The trend that the readings and the person's shape make likely together. */
function trendOf(seen: readonly Seen[], { rim_m, deepest_m, shape }: ReadSpall): Trend {
  const points = seen.map(({ u, reading: [, , depth_m] }) => ({ u, under_m: depth_m - rim_m }));
  const found = deepestOf(seen);
  if (deepest_m > found) points.push({ u: 1, under_m: deepest_m - rim_m });
  const error2 = (TAKEOFF.readingError * Math.max(deepest_m, found, 1e-6)) ** 2;
  const [least, most] = [Math.log(TAKEOFF.trendLeast), Math.log(TAKEOFF.trendMost)];
  let best = { D_m: 0, p: TAKEOFF.trendLeast, misfit: Infinity };
  for (let i = 0; i <= TAKEOFF.trendSteps; i += 1) {
    const ln_p = least + (i * (most - least)) / TAKEOFF.trendSteps;
    const p = Math.exp(ln_p);
    let [along, across, square] = [0, 0, 0];
    for (const { u, under_m } of points) {
      const f = bowl(u, p);
      along += f * under_m;
      across += f * f;
      square += under_m * under_m;
    }
    const D_m = across > 0 ? Math.max(0, along / across) : 0;
    const misfit = (square - 2 * D_m * along + D_m * D_m * across) / error2 + ((ln_p - TAKEOFF.shapePrior[shape]) / TAKEOFF.shapePriorSd) ** 2;
    if (misfit < best.misfit) best = { D_m, p, misfit };
  }
  return best;
}

/** Trend and rest of every cell, m; NaN outside. */
function depthsOver(ground: Ground, seen: readonly Seen[], spall: ReadSpall): Float64Array {
  const { outline, from, cell_m, columns, rows, left } = ground;
  const trend = trendOf(seen, spall);
  const { D_m, p } = trend;
  const depths = left.map((ln) => spall.rim_m + D_m * (1 - Math.exp(p * ln)));
  const within = (value: number, most: number): number => Math.min(most - 1, Math.max(0, Math.floor(value / cell_m)));
  for (const { corners, rests: said } of restMesh(outline, restsOf(seen, trend, spall.rim_m))) {
    const [[ax, ay], [bx, by], [cx, cy]] = corners as readonly [Point, Point, Point];
    const [ra, rb, rc] = said as readonly [number, number, number];
    if (ra === 0 && rb === 0 && rc === 0) continue;
    const twice = (bx - ax) * (cy - ay) - (cx - ax) * (by - ay);
    const lastColumn = within(Math.max(ax, bx, cx) - from[0], columns);
    const lastRow = within(Math.max(ay, by, cy) - from[1], rows);
    for (let row = within(Math.min(ay, by, cy) - from[1], rows); row <= lastRow; row += 1)
      for (let column = within(Math.min(ax, bx, cx) - from[0], columns); column <= lastColumn; column += 1) {
        const [x, y] = [from[0] + (column + 0.5) * cell_m - ax, from[1] + (row + 0.5) * cell_m - ay];
        const wb = (x * (cy - ay) - (cx - ax) * y) / twice;
        const wc = ((bx - ax) * y - x * (by - ay)) / twice;
        if (wb >= 0 && wc >= 0 && wb + wc <= 1) depths[row * columns + column]! += ra * (1 - wb - wc) + rb * wb + rc * wc;
      }
  }
  return depths;
}

/** All that lies inside, never above the face and never shallower than the cut: m3. */
function volumeOf({ area_m2 }: Ground, depths: Float64Array, least_m: number): number {
  let [sum_m, count] = [0, 0];
  for (const depth_m of depths) {
    // Outside there is no depth.
    if (Number.isNaN(depth_m)) continue;
    sum_m += Math.max(least_m, depth_m);
    count += 1;
  }
  return (area_m2 * sum_m) / count;
}
