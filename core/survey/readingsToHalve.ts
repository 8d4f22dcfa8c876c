import { spreadOf } from '../quantity';
import { depthMesh, spallDepth, spallVolume, TAKEOFF, type DepthReading, type Point, type ReadSpall } from '../takeoff';

/** How many more readings would halve the range, and where the first belongs. */
export interface NextReadings {
  /** where to read next, in this order, m */
  readonly at: readonly Point[];
  /** the range now, and what it would be with them if they read as the neighbours promise */
  readonly range: number;
  readonly then: number;
}

/** No more than so many are asked for at once. */
const MOST = 4;
/** Of the triangles between readings the largest are tried. */
const TRIED = 4;

const rangeOf = (spall: ReadSpall): number => spreadOf(spallVolume(spall).sigma);

/**
 * Where the next depths would narrow a spall's volume most: at the middle of the triangle between readings whose reading,
 * taken as its neighbours promise, leaves the least range; then the next, until the range is halved or four are asked for.
 *
 * @throws Problem as `spallVolume`
 */
export function readingsToHalve(spall: ReadSpall): NextReadings {
  const range = rangeOf(spall);
  const wanted = Math.max(spreadOf(TAKEOFF.readingsSigma), range / 2);
  const at: Point[] = [];
  let readings = spall.readings;
  let then = range;
  while (at.length < MOST && then > wanted * (1 + 1e-9)) {
    const found = best({ ...spall, readings });
    // Where no further place helps, asking for more would be idle.
    if (!found || found.range >= then * (1 - 1e-9)) break;
    readings = [...readings, found.reading];
    at.push([found.reading[0], found.reading[1]]);
    then = found.range;
  }
  return { at, range, then };
}

function best(spall: ReadSpall): { reading: DepthReading; range: number } | null {
  const { outline, readings, rim_m } = spall;
  const depth = spallDepth(spall);
  const largest = [...depthMesh({ outline, readings, edge: rim_m > 0 ? 'square' : 'feathered', cutDepth_m: rim_m })]
    .sort((a, b) => b.area_m2 * b.depth_m - a.area_m2 * a.depth_m)
    .slice(0, TRIED);
  let found: { reading: DepthReading; range: number } | null = null;
  for (const { middle } of largest) {
    const reading: DepthReading = [middle[0], middle[1], depth(middle)];
    const range = rangeOf({ ...spall, readings: [...readings, reading] });
    if (!found || range < found.range) found = { reading, range };
  }
  return found;
}
