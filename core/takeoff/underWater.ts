import { ceilingOf, inRange } from '../quantity';
import { TAKEOFF } from './constants';

/**
 * A void filled by hand under water: what washes out comes on top, and it goes in by the handful.
 *
 * @returns the volume to mix, m3, and the hand portions
 * @throws Problem `outOfRange`
 * @example underWater({ volume_m3: 0.01 }) // { volume_m3: 0.011, portions: 32 }
 */
export function underWater(input: { volume_m3: number; washOut?: number; portion_m3?: number }): { volume_m3: number; portions: number } {
  const { washOut = TAKEOFF.washOut, portion_m3 = TAKEOFF.handPortion_m3 } = input;
  inRange({ quantity: 'volume_m3', value: input.volume_m3, least: 1e-6, most: 100 });
  inRange({ quantity: 'washOut', value: washOut, least: 0, most: 1 });
  inRange({ quantity: 'portion_m3', value: portion_m3, least: 1e-5, most: 0.01 });
  const volume_m3 = input.volume_m3 * (1 + washOut);
  return { volume_m3, portions: ceilingOf(volume_m3 / portion_m3) };
}
