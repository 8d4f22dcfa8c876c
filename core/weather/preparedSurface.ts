import { inRange } from '../quantity';
import { WEATHER } from './constants';
import { evaporation } from './evaporation';
import { convectionOf, surfaceAfterChange, wetSurfaceTarget } from './surface';

/**
 * What a surface comes to when it is shaded, or wetted and kept wet, for up to an hour before the work, from its
 * temperature alone: the sun on it is what would hold a dry surface there.
 *
 * @param for_s 0 to 3600
 * @returns degC
 * @throws Problem `outOfRange`
 */
export function preparedSurface(input: { slab_C: number; air_C: number; humidity: number; wind_ms: number; change: 'shade' | 'wet'; for_s: number }): number {
  const { slab_C, air_C, humidity, wind_ms, change, for_s } = input;
  inRange({ quantity: 'slab_C', value: slab_C, least: -18, most: 90 });
  inRange({ quantity: 'wind_ms', value: wind_ms, least: 0, most: 40 });
  const surface_Wm2K = convectionOf(wind_ms) + WEATHER.radiation_Wm2K;
  const gain_Wm2 = Math.max(0, (surface_Wm2K + WEATHER.ground_Wm2K) * (slab_C - air_C));
  if (change === 'shade') {
    const jump_Wm2 = -gain_Wm2 * (1 - WEATHER.exposure.shade);
    return surfaceAfterChange({ before_C: slab_C, jump_Wm2, H_Wm2K: surface_Wm2K, elapsed_s: for_s });
  }
  const drying_Wm2 = (at_C: number): number => (WEATHER.evaporation_J_kg * evaporation({ concrete_C: at_C, air_C, humidity, wind_kmh: wind_ms * 3.6 })) / 3600;
  const now_Wm2 = drying_Wm2(slab_C);
  const settled_C = wetSurfaceTarget({ air_C, humidity, wind_ms, irradiance_Wm2: gain_Wm2, cloud: 1, absorptivity: 1, exposure: 1, sky: 0 });
  const slope = Math.abs(slab_C - settled_C) < 1e-6 ? 0 : (now_Wm2 - drying_Wm2(settled_C)) / (slab_C - settled_C);
  return surfaceAfterChange({ before_C: slab_C, jump_Wm2: -now_Wm2, H_Wm2K: surface_Wm2K + Math.max(0, slope), elapsed_s: for_s });
}
