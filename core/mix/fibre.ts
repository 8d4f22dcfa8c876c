import { ceilingOf, inRange } from '../quantity';
import { MIX } from './constants';

export type FibreKind = keyof typeof MIX.fibre_kg_m3;

/**
 * Fibre for a volume: what goes in, how much room it takes, and the bags to buy. It goes in last, once the mix is wet.
 *
 * @param dose_kg_m3 as the fibre's sheet has it, 0.1 to 80
 * @throws Problem `outOfRange`
 * @example fibreFor({ kind: 'polypropylene', volume_m3: 0.012, dose_kg_m3: 0.9, bag_kg: 0.45 }) // { mass_kg: 0.0108, bags: 1 }
 */
export function fibreFor(input: { kind: FibreKind; volume_m3: number; dose_kg_m3: number; bag_kg: number }): {
  mass_kg: number;
  volume_m3: number;
  bags: number;
} {
  inRange({ quantity: 'volume_m3', value: input.volume_m3, least: 1e-6, most: 1e3 });
  inRange({ quantity: 'dose_kg_m3', value: input.dose_kg_m3, least: 0.1, most: 80 });
  inRange({ quantity: 'bag_kg', value: input.bag_kg, least: 0.01, most: 1000 });
  const mass_kg = input.volume_m3 * input.dose_kg_m3;
  return { mass_kg, volume_m3: mass_kg / MIX.fibre_kg_m3[input.kind], bags: ceilingOf(mass_kg / input.bag_kg) };
}
