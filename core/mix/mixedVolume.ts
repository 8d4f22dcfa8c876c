import { inRange, Problem } from '../quantity';
import { MIX } from './constants';

/**
 * Mixed volume by absolute volumes: `V = sum(m_i/rho_i)/(1-air)`.
 *
 * @returns m3
 * @throws Problem `outOfRange`, `nothingMixed`
 * @example mixedVolume({ powder_kg: 22.88, powder_density: 2750, water_kg: 2.59, air: 0.05 }) // 0.011484
 */
export function mixedVolume(input: { powder_kg: number; powder_density: number; water_kg: number; aggregate_kg?: number; air: number }): number {
  const { powder_kg, powder_density, water_kg, aggregate_kg = 0, air } = input;
  inRange({ quantity: 'powder_kg', value: powder_kg, least: 0, most: 1e6 });
  inRange({ quantity: 'powder_density', value: powder_density, least: 500, most: 8000 });
  inRange({ quantity: 'water_kg', value: water_kg, least: 0, most: 1e6 });
  inRange({ quantity: 'air', value: air, least: 0, most: 0.3 });
  const solid = powder_kg / powder_density + water_kg / MIX.water_kg_m3 + aggregate_kg / MIX.aggregate_kg_m3;
  if (solid <= 0) throw new Problem('nothingMixed');
  return solid / (1 - air);
}

/** Area a volume covers: V over the thickness above the peaks plus the texture it must fill. @returns m2 */
export function coverage({ volume_m3, thickness_m, texture_m }: { volume_m3: number; thickness_m: number; texture_m: number }): number {
  inRange({ quantity: 'volume_m3', value: volume_m3, least: 0, most: 1e4 });
  return volume_m3 / inRange({ quantity: 'thickness_m', value: thickness_m + texture_m, least: 1e-5, most: 5 });
}
