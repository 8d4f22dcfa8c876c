import { ceilingOf, inRange } from '../quantity';
import { TAKEOFF } from './constants';

/**
 * Passes of a blade for a groove: the ceiling of its width over the blade's.
 *
 * @throws Problem `outOfRange`
 * @example groovePasses({ groove_m: 0.0233, blade_m: 0.00635 }) // 4
 */
export function groovePasses({ groove_m, blade_m }: { groove_m: number; blade_m: number }): number {
  inRange({ quantity: 'groove_m', value: groove_m, least: 1e-4, most: 0.5 });
  inRange({ quantity: 'blade_m', value: blade_m, least: 1e-4, most: 0.5 });
  return Math.max(1, ceilingOf(groove_m / blade_m));
}

/** What is filled: the groove, or the blade where it is the wider. */
export const filledWidth = ({ groove_m, blade_m }: { groove_m: number; blade_m: number }): number => Math.max(groove_m, blade_m);

/**
 * Width of a joint that moves: `10e-6 L dT` over the sealant's movement class; the rod 1.25 times as wide, the sealant
 * half as deep.
 *
 * @param movementClass share of its width that the sealant may move, 0.05 to 1
 * @returns m
 * @throws Problem `outOfRange`
 */
export function jointWidth(input: { length_m: number; temperatureRange_K: number; movementClass: number }): number {
  inRange({ quantity: 'length_m', value: input.length_m, least: 0.01, most: 200 });
  inRange({ quantity: 'temperatureRange_K', value: input.temperatureRange_K, least: 0, most: 150 });
  inRange({ quantity: 'movementClass', value: input.movementClass, least: 0.05, most: 1 });
  return (TAKEOFF.expansion_1_K * input.length_m * input.temperatureRange_K) / input.movementClass;
}
