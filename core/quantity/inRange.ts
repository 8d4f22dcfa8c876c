import { Problem } from './Problem';

/** A value and the range it must lie in, SI. */
export interface RangeCheck {
  readonly quantity: string;
  readonly value: number;
  readonly least?: number;
  readonly most?: number;
}

/**
 * The value itself when it is a finite number inside [least, most]; otherwise a typed error that names the quantity,
 * its value and the range. Never clamps.
 *
 * @throws Problem `outOfRange` with quantity, value, least, most
 * @example inRange({ quantity: 'thickness_m', value: 0.02, least: 0.0005, most: 1 }) // 0.02
 */
export function inRange({ quantity, value, least = -Number.MAX_VALUE, most = Number.MAX_VALUE }: RangeCheck): number {
  if (!(value >= least && value <= most)) throw new Problem('outOfRange', { quantity, value, least, most });
  return value;
}
