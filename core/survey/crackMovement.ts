import { SURVEY } from './constants';

/** Widths of a crack on one visit: how far along, and how wide, m. */
export interface WidthVisit {
  /** instant of the visit, s from any fixed moment */
  readonly at_s: number;
  readonly widths: readonly (readonly [along_m: number, width_m: number])[];
}

/** What visits to a crack have shown. */
export interface CrackMovement {
  /** grown for good, opening and closing, still through two seasons, or nobody knows yet */
  readonly code: 'growing' | 'moving' | 'dormant' | 'unknown';
  /** mean change of the places read on both visits that tell it, m; closing is negative */
  readonly change_m: number;
  /** what such a mean may err by, m */
  readonly error_m: number;
  readonly apart_s: number;
  /** places read on both visits */
  readonly pairs: number;
}

type Change = Omit<CrackMovement, 'code'>;

/**
 * What visits to a crack say. It grows when the last is wider than the first by more than twice what their readings may
 * err by, or when of two visits alone the one differs so much from the other; it moves when any two differ so much; it is
 * dormant when none do and two seasons lie between; else nobody knows yet.
 *
 * @param visits in any order; null for fewer than two, or none with a place in common
 */
export function crackMovement(visits: readonly WidthVisit[]): CrackMovement | null {
  const sorted = [...visits].sort((a, b) => a.at_s - b.at_s);
  const pairs = sorted.flatMap((before, i) => sorted.slice(i + 1).flatMap((after) => changeOf(before, after) ?? []));
  const [first, last] = [sorted[0], sorted.at(-1)];
  const widest = pairs.reduce<Change | null>((most, pair) => (!most || beyond(pair) > beyond(most) ? pair : most), null);
  if (!first || !last || !widest) return null;
  const net = changeOf(first, last);
  if (net && beyond(net) > 1 && (net.change_m > 0 || sorted.length === 2)) return { code: 'growing', ...net };
  if (beyond(widest) > 1) return { code: 'moving', ...widest };
  const still = net ?? widest;
  return { code: still.apart_s >= SURVEY.dormantAfter_s ? 'dormant' : 'unknown', ...still };
}

/** A change over twice what it may err by. */
const beyond = ({ change_m, error_m }: Change): number => Math.abs(change_m) / (2 * error_m);

function changeOf(before: WidthVisit, after: WidthVisit): Change | null {
  const changes = after.widths.flatMap(([along_m, width_m]) => {
    const width = nearest(before.widths, along_m);
    return width === null ? [] : [width_m - width];
  });
  if (changes.length === 0) return null;
  return {
    change_m: changes.reduce((sum, change) => sum + change, 0) / changes.length,
    error_m: SURVEY.widthError_m * Math.sqrt(2 / changes.length),
    apart_s: after.at_s - before.at_s,
    pairs: changes.length,
  };
}

function nearest(widths: WidthVisit['widths'], along_m: number): number | null {
  const near = widths
    .map(([at, width]) => ({ off: Math.abs(at - along_m), width }))
    .filter(({ off }) => off <= SURVEY.widthPair_m)
    .sort((a, b) => a.off - b.off)[0];
  return near ? near.width : null;
}
