import { inRange } from '../quantity';
import { MIX } from './constants';

/**
 * Bonding slurry from the liquid wanted: cement by the liquid-to-cement ratio, volume by absolute volumes.
 *
 * @param liquid_m3 water and latex together
 * @param latexShare of the liquid, by volume
 * @returns cement and each liquid in kg, and the slurry's volume in m3
 * @throws Problem `outOfRange`
 */
export function slurry(input: { liquid_m3: number; latexShare?: number; latex_kg_m3?: number; liquidToCement?: number; cement_kg_m3?: number; air?: number }): {
  cement_kg: number;
  latex_kg: number;
  water_kg: number;
  volume_m3: number;
} {
  const { latexShare = MIX.latexShare, latex_kg_m3 = MIX.latex_kg_m3, liquidToCement = MIX.liquidToCement } = input;
  const { cement_kg_m3 = MIX.cement_kg_m3, air = 0 } = input;
  inRange({ quantity: 'liquid_m3', value: input.liquid_m3, least: 1e-6, most: 1 });
  inRange({ quantity: 'latexShare', value: latexShare, least: 0, most: 1 });
  inRange({ quantity: 'liquidToCement', value: liquidToCement, least: 0.2, most: 1 });
  inRange({ quantity: 'air', value: air, least: 0, most: 0.3 });
  const latex_kg = input.liquid_m3 * latexShare * latex_kg_m3;
  const water_kg = input.liquid_m3 * (1 - latexShare) * MIX.water_kg_m3;
  const cement_kg = (latex_kg + water_kg) / liquidToCement;
  return { cement_kg, latex_kg, water_kg, volume_m3: (input.liquid_m3 + cement_kg / cement_kg_m3) / (1 - air) };
}
