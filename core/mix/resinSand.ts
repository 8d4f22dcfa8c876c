import { inRange } from '../quantity';
import { MIX } from './constants';

export type ResinSand = { readonly verdict: 'ok'; readonly volume_m3: number } | { readonly verdict: 'refused'; readonly limit: 'sheet' | 'dryGrains' };

/**
 * Resin extended with dry sand or filler: at most the sheet's ratio by volume, and never more than the resin wets.
 *
 * @param limitByVolume loose sand to liquid by the sheet; Infinity where it sets none
 * @returns the mixed volume in m3, or what refuses it; then no volume
 * @throws Problem `outOfRange`
 */
export function resinSand(input: { resin_m3: number; sand_kg: number; sand_kg_m3?: number; sandBulk_kg_m3?: number; limitByVolume?: number }): ResinSand {
  const { resin_m3, sand_kg, sand_kg_m3 = MIX.aggregate_kg_m3, sandBulk_kg_m3 = MIX.sandBulk_kg_m3, limitByVolume = Infinity } = input;
  inRange({ quantity: 'resin_m3', value: resin_m3, least: 1e-7, most: 1 });
  inRange({ quantity: 'sand_kg', value: sand_kg, least: 0, most: 1000 });
  inRange({ quantity: 'sand_kg_m3', value: sand_kg_m3, least: 500, most: 8000 });
  inRange({ quantity: 'sandBulk_kg_m3', value: sandBulk_kg_m3, least: 200, most: 8000 });
  if (sand_kg / sandBulk_kg_m3 / resin_m3 > limitByVolume * (1 + 1e-9)) return { verdict: 'refused', limit: 'sheet' };
  const packed_m3 = sand_kg / (sand_kg_m3 * MIX.sandPacking);
  if (resin_m3 < MIX.sandWetted * packed_m3 * (1 - 1e-9)) return { verdict: 'refused', limit: 'dryGrains' };
  return { verdict: 'ok', volume_m3: resin_m3 + sand_kg / sand_kg_m3 };
}
