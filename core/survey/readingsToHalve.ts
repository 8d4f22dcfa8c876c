import { TAKEOFF, volumeFromReadings, depthMesh, type DepthReading, type Point } from '../takeoff';

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

/**
 * Where the next depths would narrow a spall's volume most: at the middle of the triangle whose reading, taken as its
 * corners promise, leaves the least range; then the next, until the range is halved or four are asked for.
 *
 * @param readings two or more, inside the outline
 * @throws Problem as `volumeFromReadings`
 */
export function readingsToHalve(input: {
  outline: readonly Point[];
  readings: readonly DepthReading[];
  edge: 'feathered' | 'square';
  cutDepth_m?: number;
}): NextReadings {
  const range = volumeFromReadings(input).range;
  const wanted = Math.max(TAKEOFF.readingsLeastRange, range / 2);
  const at: Point[] = [];
  let readings = input.readings;
  let then = range;
  while (at.length < MOST && then > wanted) {
    const found = best({ ...input, readings });
    // Where no further place helps, asking for more would be idle.
    if (!found || found.range >= then * (1 - 1e-9)) break;
    readings = [...readings, found.reading];
    at.push([found.reading[0], found.reading[1]]);
    then = found.range;
  }
  return { at, range, then };
}

function best(input: Parameters<typeof readingsToHalve>[0]): { reading: DepthReading; range: number } | null {
  let found: { reading: DepthReading; range: number } | null = null;
  for (const reading of depthMesh(input).map(({ middle, depth_m }): DepthReading => [middle[0], middle[1], depth_m])) {
    const { range } = volumeFromReadings({ ...input, readings: [...input.readings, reading] });
    if (!found || range < found.range) found = { reading, range };
  }
  return found;
}
