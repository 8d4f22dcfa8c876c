import { distanceToOutline, extent, type Point } from '../takeoff';
import { SURVEY } from './constants';

/** Whether a line runs from one side of an outline to another; one along an edge crosses nothing. */
export function crossesRim(line: readonly Point[], outline: readonly Point[]): boolean {
  const [from, to] = [line[0]!, line.at(-1)!];
  const middle: Point = [(from[0] + to[0]) / 2, (from[1] + to[1]) / 2];
  const atEdge = (point: Point): boolean => distanceToOutline(point, outline) <= SURVEY.atEdge_m;
  return atEdge(from) && atEdge(to) && !atEdge(middle);
}

/**
 * Whether a crack runs where a joint is missing: from one edge of its element to another, across a panel longer than so
 * many times its thickness. Whoever stands there may know better.
 *
 * @returns the panel's longer side over its thickness, or null where it is no such crack
 */
export function jointsWork({ line, outline, thickness_m }: { line: readonly Point[]; outline: readonly Point[]; thickness_m: number }): number | null {
  if (!crossesRim(line, outline)) return null;
  const { length_m, width_m } = extent(outline);
  const ratio = Math.max(length_m, width_m) / thickness_m;
  return ratio > SURVEY.panelOverThickness ? ratio : null;
}
