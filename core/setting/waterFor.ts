import { SETTING } from './constants';
import { iceMassFor, waterTemperatureFor, type MixHeat } from './mixTemperature';

export type WaterLimit = 'waterLeast' | 'waterMost';

/** Water's own limits: none colder than a hose gives without ice, none hotter than the binder takes. */
export const waterMost = (binder: keyof typeof SETTING.activation_J_mol): number => (binder === 'portland' ? SETTING.waterMost_C : SETTING.waterMostRapid_C);

/**
 * The water that brings a mix to a temperature: always the number, and whether a crew can have it.
 *
 * @param binder what the powder binds with; `most_C` what its sheet allows instead of its class
 * @returns degC, and the limit that binds; null where it can be had
 * @throws Problem `nothingMixed` without water
 * @example waterFor({ powder_kg: 22.7, powder_C: 35, water_kg: 3.5, target_C: 21, binder: 'rapid' }) // { water_C: 1.1..., reachable: false, limit: 'waterLeast' }
 */
export function waterFor(input: Omit<MixHeat, 'water_C' | 'ice_kg'> & { target_C: number; binder: keyof typeof SETTING.activation_J_mol; most_C?: number }): {
  water_C: number;
  reachable: boolean;
  limit: WaterLimit | null;
} {
  const { binder, most_C = waterMost(binder), ...heat } = input;
  const water_C = waterTemperatureFor(heat);
  const limit = water_C < SETTING.waterLeast_C ? 'waterLeast' : water_C > most_C ? 'waterMost' : null;
  return { water_C, reachable: limit === null, limit };
}

/**
 * The same with ice: never more of it than the whole dose.
 *
 * @returns kg of ice; 0 where none is needed; the number even where it cannot be
 */
export function iceFor(input: Parameters<typeof iceMassFor>[0]): { ice_kg: number; reachable: boolean; limit: 'iceOverWater' | null } {
  const ice_kg = Math.max(0, iceMassFor(input));
  return ice_kg > input.dose_kg ? { ice_kg, reachable: false, limit: 'iceOverWater' } : { ice_kg, reachable: true, limit: null };
}
