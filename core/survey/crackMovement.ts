import { SURVEY } from './constants';

/** Widths of a crack on one visit: how far along, and how wide, m. */
export interface WidthVisit {
  /** instant of the visit, s from any fixed moment */
  readonly at_s: number;
  readonly widths: readonly (readonly [along_m: number, width_m: number])[];
}

/** What visits to a crack have shown. */
export interface CrackMovement {
  readonly code: 'moving' | 'dormant' | 'unknown';
  /** mean change of the places read on both visits, m; closing is negative */
  readonly change_m: number;
  /** what such a mean may err by, m */
  readonly error_m: number;
  readonly apart_s: number;
  /** places read on both visits */
  readonly pairs: number;
}

/**
 * Whether a crack moves, from the widths of its first and its last visit at the same places. It is moving when the mean
 * change is more than twice what the readings may err by, dormant when it is not and two seasons lie between, else
 * nobody knows yet.
 *
 * @param visits in any order; null for fewer than two, or none with a place in common
 */
export function crackMovement(visits: readonly WidthVisit[]): CrackMovement | null {
  const sorted = [...visits].sort((a, b) => a.at_s - b.at_s);
  const [first, last] = [sorted[0], sorted.at(-1)];
  if (!first || !last || first === last) return null;
  const changes = last.widths.flatMap(([along_m, width_m]) => {
    const before = nearest(first.widths, along_m);
    return before === null ? [] : [width_m - before];
  });
  if (changes.length === 0) return null;
  const change_m = changes.reduce((sum, change) => sum + change, 0) / changes.length;
  const error_m = SURVEY.widthError_m * Math.sqrt(2 / changes.length);
  const apart_s = last.at_s - first.at_s;
  const code = Math.abs(change_m) > 2 * error_m ? 'moving' : apart_s >= SURVEY.dormantAfter_s ? 'dormant' : 'unknown';
  return { code, change_m, error_m, apart_s, pairs: changes.length };
}

function nearest(widths: WidthVisit['widths'], along_m: number): number | null {
  const near = widths
    .map(([at, width]) => ({ off: Math.abs(at - along_m), width }))
    .filter(({ off }) => off <= SURVEY.widthPair_m)
    .sort((a, b) => a.off - b.off)[0];
  return near ? near.width : null;
}
