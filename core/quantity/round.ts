/** Rounds half away from nothing in particular: to the nearest step, halves up, with 1e-9 of slack. @example roundTo(12.4, 5) // 10 */
export const roundTo = (value: number, step: number): number => Math.floor(value / step + 0.5 + 1e-9) * step;

/** Ceiling with 1e-9 relative slack, so that no count flips between engines. @example ceilingOf(3.0000000001) // 3 */
export const ceilingOf = (value: number): number => Math.ceil(value - 1e-9 * Math.max(1, Math.abs(value)));

/** A figure to so many significant digits, as the trade can use it. @example significant(0.01234, 2) // 0.012 */
export function significant(value: number, digits = 2): number {
  return value === 0 ? 0 : Number(value.toPrecision(digits));
}
