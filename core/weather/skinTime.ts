import { inRange } from '../quantity';
import { WEATHER } from './constants';

/**
 * When a spread layer has lost so much of its mix water that a skin ends its life: `t = 3600 x share x W d / E`.
 *
 * @param mixWater_kg_m3 kg of mix water in a m3 of mix
 * @param evaporation_kg_m2h kg/m2 h; at 0 it never skins
 * @returns s after spreading, Infinity when nothing dries
 */
export function skinTime(input: { mixWater_kg_m3: number; thickness_m: number; evaporation_kg_m2h: number; share?: number }): number {
  const { mixWater_kg_m3, thickness_m, evaporation_kg_m2h, share = WEATHER.skinShare } = input;
  inRange({ quantity: 'mixWater_kg_m3', value: mixWater_kg_m3, least: 0, most: 1000 });
  inRange({ quantity: 'thickness_m', value: thickness_m, least: 0, most: 2 });
  inRange({ quantity: 'share', value: share, least: 0.01, most: 0.5 });
  if (evaporation_kg_m2h <= 0) return Infinity;
  return (3600 * share * mixWater_kg_m3 * thickness_m) / evaporation_kg_m2h;
}
