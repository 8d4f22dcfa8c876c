import { ceilingOf, inRange } from '../quantity';
import { TAKEOFF } from './constants';

/**
 * What is broken out and carried away: loose volume, mass, and bags that one person lifts.
 *
 * @param volume_m3 solid, as it sat in the slab
 * @throws Problem `outOfRange`
 * @example debrisOf(0.0227) // { bulk_m3: 0.03405, mass_kg: 52.2, bags: 3 }
 */
export function debrisOf(volume_m3: number): { bulk_m3: number; mass_kg: number; bags: number } {
  inRange({ quantity: 'volume_m3', value: volume_m3, least: 0, most: 1e5 });
  const mass_kg = TAKEOFF.debris_kg_m3 * volume_m3;
  return { bulk_m3: TAKEOFF.debrisBulk * volume_m3, mass_kg, bags: ceilingOf(mass_kg / TAKEOFF.debrisBagMost_kg) };
}
