import { inRange, Problem } from '../quantity';

/**
 * A temperature that changes through the work: knots in s from first water, rising, with their degC; straight between
 * them, held before the first and after the last.
 */
export interface Temperatures {
  readonly at_s: readonly number[];
  readonly C: readonly number[];
}

/** The temperature t seconds after first water, degC. */
export function temperatureAt({ at_s, C }: Temperatures, t: number): number {
  const last = at_s.length - 1;
  if (t <= at_s[0]!) return C[0]!;
  if (t >= at_s[last]!) return C[last]!;
  let low = 0;
  let high = last;
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if (at_s[middle]! <= t) low = middle;
    else high = middle;
  }
  const from_s = at_s[low]!;
  const from_C = C[low]!;
  return from_C + ((C[high]! - from_C) * (t - from_s)) / (at_s[high]! - from_s);
}

/** The same course, warmer by so many kelvin throughout. */
export const shifted = ({ at_s, C }: Temperatures, by_K: number): Temperatures => ({ at_s, C: C.map((temperature_C) => temperature_C + by_K) });

/** A figure with its drift as a course from first water, or the figure alone. */
export const coursed = (at_C: number, drift: Temperatures | undefined): number | Temperatures => (drift ? shifted(drift, at_C) : at_C);

/**
 * A figure or a course, checked.
 *
 * @throws Problem `outOfRange`; `knots` where they are missing or do not rise
 */
export function checkedTemperatures(quantity: string, given: number | Temperatures, { least, most }: { least: number; most: number }): Temperatures | null {
  if (typeof given === 'number') {
    inRange({ quantity, value: given, least, most });
    return null;
  }
  const { at_s, C } = given;
  if (at_s.length === 0 || at_s.length !== C.length || at_s.some((t, i) => i > 0 && !(t > at_s[i - 1]!)))
    throw new Problem('knots', { quantity, knots: at_s.length });
  for (const value of C) inRange({ quantity, value, least, most });
  return given;
}
