import { inRange } from '../quantity';
import { TAKEOFF } from './constants';

/** Shapes of a crack across: straight sides, or closing to nothing. */
export const CRACK_PROFILES = ['slot', 'vee'] as const;
export type CrackProfile = (typeof CRACK_PROFILES)[number];

/** A crack by its sizes, m. */
export interface Crack {
  readonly profile: CrackProfile;
  readonly length_m: number;
  /** at the surface; a mean where it was read in several places */
  readonly width_m: number;
  readonly depth_m: number;
  /** how deep the resin cap goes; the bed of dry sand lies under it */
  readonly cap_m: number;
}

/** Section of a crack from the surface down to a depth, m2. */
const sectionTo = ({ profile, width_m, depth_m }: Crack, y: number): number => (profile === 'slot' ? width_m * y : width_m * (y - (y * y) / (2 * depth_m)));

function checked(crack: Crack): { cap: number } {
  inRange({ quantity: 'length_m', value: crack.length_m, least: 1e-3, most: 1e4 });
  inRange({ quantity: 'width_m', value: crack.width_m, least: 1e-5, most: 0.3 });
  inRange({ quantity: 'depth_m', value: crack.depth_m, least: 1e-4, most: 2 });
  inRange({ quantity: 'cap_m', value: crack.cap_m, least: 0, most: 2 });
  return { cap: Math.min(crack.cap_m, crack.depth_m) };
}

/**
 * Mean width of a crack from readings along it, by the trapezoid rule.
 *
 * @param readings distance along and width, m, at two places or more; in any order
 * @throws Problem `outOfRange`
 */
export function meanWidth(readings: readonly (readonly [along_m: number, width_m: number])[]): number {
  const sorted = [...readings].sort(([a], [b]) => a - b);
  const [first, last] = [sorted[0], sorted.at(-1)];
  const span = (last?.[0] ?? 0) - (first?.[0] ?? 0);
  inRange({ quantity: 'readings', value: sorted.length, least: 1, most: 1e4 });
  if (span === 0) return sorted.reduce((sum, [, width]) => sum + width, 0) / sorted.length;
  let area = 0;
  for (let i = 1; i < sorted.length; i += 1) {
    const [[a, before], [b, after]] = [sorted[i - 1]!, sorted[i]!];
    area += ((b - a) * (before + after)) / 2;
  }
  return area / span;
}

/**
 * Dry sand for the bed under the cap.
 *
 * @returns m3
 * @throws Problem `outOfRange`
 */
export function crackSand(crack: Crack): number {
  const { cap } = checked(crack);
  return crack.length_m * (sectionTo(crack, crack.depth_m) - sectionTo(crack, cap));
}

/**
 * Resin for a bed and cap: the cap itself, the pores of the sand it soaks into, and the crown that is ground off.
 *
 * @returns m3
 * @throws Problem `outOfRange`
 */
export function crackResin(
  input: Crack & { readonly crown_m?: number; readonly lap_m?: number; readonly porosity?: number; readonly soakDepth_m?: number },
): number {
  const { crown_m = TAKEOFF.crown_m, lap_m = TAKEOFF.lap_m, porosity = TAKEOFF.porosity, soakDepth_m = TAKEOFF.soakDepth_m } = input;
  const { cap } = checked(input);
  inRange({ quantity: 'porosity', value: porosity, least: 0, most: 0.6 });
  const soaked = sectionTo(input, Math.min(input.depth_m, cap + soakDepth_m)) - sectionTo(input, cap);
  const crown = (2 / 3) * crown_m * (input.width_m + 2 * lap_m);
  return input.length_m * (sectionTo(input, cap) + porosity * soaked + crown);
}

/** Resin sinks no less than a film of it. */
const LEAST_SOAK_M = 2e-4;

/**
 * How deep resin sank into the sand of a bed and cap, by what it took: `crackResin` turned round, found by bisection.
 *
 * @param resin_m3 what went in until the crack was full
 * @returns m; null where the cap alone takes as much, or the whole bed does not take it all
 * @throws Problem `outOfRange`
 */
export function crackSoak(crack: Crack, resin_m3: number): number | null {
  const { cap } = checked(crack);
  const takes = (soakDepth_m: number): number => crackResin({ ...crack, soakDepth_m });
  let [low, high] = [LEAST_SOAK_M, crack.depth_m - cap];
  if (high <= low || resin_m3 < takes(low) || resin_m3 > takes(high)) return null;
  while (high - low > 1e-6) {
    const middle = (low + high) / 2;
    if (takes(middle) < resin_m3) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}
