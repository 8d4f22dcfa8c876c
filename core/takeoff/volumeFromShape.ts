import { inRange, type Ranged } from '../quantity';

export const SHAPES = ['cone', 'dish', 'pan'] as const;
export type SpallShape = (typeof SHAPES)[number];

/** Share of area x deepest depth by the shape of the bottom, and the 90 % range of a volume from one depth. *default* */
export const SHAPE_SHARE: Record<SpallShape, number> = { cone: 1 / 3, dish: 1 / 2, pan: 0.8 };
export const SHAPE_SPREAD = 0.3;

/** sigma of a "+-p %" read as a 90 % range: `ln(1+p)/1.645`. */
export const sigmaOf = (spread: number): number => Math.log(1 + spread) / 1.645;

/** z of the tenth and ninetieth percentile. */
const Z10 = 1.2815515655446004;

/** A lognormal median with its P10 and P90. */
export const rangedOf = (p50: number, sigma: number): Ranged => ({ p10: p50 * Math.exp(-Z10 * sigma), p50, p90: p50 * Math.exp(Z10 * sigma) });

/**
 * Volume of a spall from its deepest depth and the shape of its bottom.
 *
 * @param area_m2 up to 10 000
 * @param deepest_m 0.5 mm to 1 m
 * @returns m3
 * @throws Problem `outOfRange`
 * @example volumeFromShape({ area_m2: 0.537, deepest_m: 0.045, shape: 'dish' }) // 0.0120825
 */
export function volumeFromShape({ area_m2, deepest_m, shape }: { area_m2: number; deepest_m: number; shape: SpallShape }): number {
  inRange({ quantity: 'area_m2', value: area_m2, least: 1e-6, most: 1e4 });
  inRange({ quantity: 'deepest_m', value: deepest_m, least: 5e-4, most: 1 });
  return area_m2 * deepest_m * SHAPE_SHARE[shape];
}
