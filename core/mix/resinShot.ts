import { inRange } from '../quantity';

/**
 * One shot of resin: what leaves the bottle within the safe part of its life after mixing, at most the bottle.
 *
 * @param squeeze_m3_s how fast it leaves
 * @param safety share of the life that is used, 0 to 1
 * @returns m3; 0 where mixing alone takes longer
 * @throws Problem `outOfRange`
 */
export function resinShot(input: { bottle_m3: number; squeeze_m3_s: number; life_s: number; safety: number; mixing_s: number }): number {
  inRange({ quantity: 'bottle_m3', value: input.bottle_m3, least: 1e-6, most: 0.05 });
  inRange({ quantity: 'squeeze_m3_s', value: input.squeeze_m3_s, least: 1e-9, most: 1e-3 });
  inRange({ quantity: 'life_s', value: input.life_s, least: 1, most: 1e5 });
  inRange({ quantity: 'safety', value: input.safety, least: 0, most: 1 });
  inRange({ quantity: 'mixing_s', value: input.mixing_s, least: 0, most: 3600 });
  return Math.min(input.bottle_m3, input.squeeze_m3_s * Math.max(0, input.safety * input.life_s - input.mixing_s));
}

/**
 * Marks on a bottle for parts poured one on the other: cumulative, in the order they are poured.
 *
 * @param parts by volume, two or more
 * @returns m3 from the bottom
 * @throws Problem `outOfRange`
 */
export function bottleMarks({ shot_m3, parts }: { shot_m3: number; parts: readonly number[] }): number[] {
  inRange({ quantity: 'shot_m3', value: shot_m3, least: 0, most: 0.05 });
  const whole = parts.reduce((sum, part) => sum + inRange({ quantity: 'part', value: part, least: 1e-6, most: 1e6 }), 0);
  let poured = 0;
  return parts.map((part) => (shot_m3 * (poured += part)) / whole);
}
