import { inRange } from '../quantity';
import { TAKEOFF } from './constants';

/** Shapes of a spall's bottom. */
export const SHAPES = ['cone', 'dish', 'pan'] as const;
export type SpallShape = (typeof SHAPES)[number];

/** How a bottom of each shape falls towards its rim, as a power of the way out: D (1 - r^n) holds 1/3, 1/2 and 4/5 of area x deepest. */
const FALL: Readonly<Record<SpallShape, number>> = { cone: 1, dish: 2, pan: 8 };

/**
 * The same where every place is cut down to a least depth: a saw cut at the edge, a product that holds nowhere thinner.
 *
 * @param least_m 0 to the deepest and over; over it the whole is that deep
 * @returns m3
 * @throws Problem `outOfRange`
 */
export function volumeCutTo({ area_m2, deepest_m, shape, least_m }: Parameters<typeof volumeFromShape>[0] & { least_m: number }): number {
  inRange({ quantity: 'least_m', value: least_m, least: 0, most: 1 });
  const uncut_m3 = volumeFromShape({ area_m2, deepest_m, shape });
  if (least_m >= deepest_m) return area_m2 * least_m;
  const n = FALL[shape];
  // Inside this share of the way out the bottom is deeper than the cut.
  const r = (1 - least_m / deepest_m) ** (1 / n);
  return least_m === 0 ? uncut_m3 : area_m2 * (least_m * (1 - r * r) + deepest_m * (r * r - (2 * r ** (n + 2)) / (n + 2)));
}

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
  return area_m2 * deepest_m * TAKEOFF.shapeShare[shape];
}
