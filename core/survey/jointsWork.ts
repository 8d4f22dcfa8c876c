import { distanceToOutline, extent, type Point } from '../takeoff';
import { SURVEY } from './constants';

/**
 * Whether a crack runs where a joint is missing: from one edge of its element to another, across a panel longer than so
 * many times its thickness. Whoever stands there may know better.
 *
 * @returns the panel's longer side over its thickness, or null where it is no such crack
 */
export function jointsWork({ line, outline, thickness_m }: { line: readonly Point[]; outline: readonly Point[]; thickness_m: number }): number | null {
  const ends = [line[0]!, line.at(-1)!];
  if (ends.some((end) => distanceToOutline(end, outline) > SURVEY.atEdge_m)) return null;
  // One that runs along an edge crosses nothing.
  const middle: Point = [(ends[0]![0] + ends[1]![0]) / 2, (ends[0]![1] + ends[1]![1]) / 2];
  if (distanceToOutline(middle, outline) <= SURVEY.atEdge_m) return null;
  const { length_m, width_m } = extent(outline);
  const ratio = Math.max(length_m, width_m) / thickness_m;
  return ratio > SURVEY.panelOverThickness ? ratio : null;
}
