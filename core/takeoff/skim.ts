import { inRange } from '../quantity';

/**
 * Volume of a skim: its area times the thickness above the peaks and the texture it fills.
 *
 * @returns m3
 * @throws Problem `outOfRange`
 * @example skimVolume({ area_m2: 12, thickness_m: 0.003, texture_m: 0.0006 }) // 0.0432
 */
export function skimVolume({ area_m2, thickness_m, texture_m }: { area_m2: number; thickness_m: number; texture_m: number }): number {
  inRange({ quantity: 'area_m2', value: area_m2, least: 1e-6, most: 1e4 });
  inRange({ quantity: 'thickness_m', value: thickness_m, least: 2e-4, most: 0.3 });
  inRange({ quantity: 'texture_m', value: texture_m, least: 0, most: 0.05 });
  return area_m2 * (thickness_m + texture_m);
}
