import type { Ranged } from './Measured';
import { constant, valuesOf } from './constant';

/** How ranges are read. */
export const RANGE_TABLE = {
  z90: constant(1.645, 'sd', 'half width of a "+-p %", a 90 % range', 'method'),
  z10: constant(1.2815515655446004, 'sd', 'tenth and ninetieth percentile', 'exact'),
} as const;

/** Quantiles of the ranges that are shown. */
export const RANGE = valuesOf(RANGE_TABLE);

/** sigma of a "+-p %" read as a 90 % range: `ln(1+p)/1.645`. */
export const sigmaOf = (spread: number): number => Math.log(1 + spread) / RANGE.z90;

/** The "+-p %" that a sigma is read as; `sigmaOf` the other way. */
export const spreadOf = (sigma: number): number => Math.exp(RANGE.z90 * sigma) - 1;

/** A lognormal median with its P10 and P90. */
export const rangedOf = (p50: number, sigma: number): Ranged => ({ p10: p50 * Math.exp(-RANGE.z10 * sigma), p50, p90: p50 * Math.exp(RANGE.z10 * sigma) });

/** The range of a sum whose parts err together: the ranges are added, not the variances. */
export const rangedSum = (parts: readonly Ranged[]): Ranged =>
  parts.reduce((sum, part) => ({ p10: sum.p10 + part.p10, p50: sum.p50 + part.p50, p90: sum.p90 + part.p90 }), { p10: 0, p50: 0, p90: 0 });
