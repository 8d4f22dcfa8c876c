import { inRange } from '../quantity';
import { TAKEOFF } from './constants';

/** Shapes of a spall's bottom. */
export const SHAPES = ['cone', 'dish', 'pan'] as const;
export type SpallShape = (typeof SHAPES)[number];

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
