import { inRange, Problem } from '../quantity';
import type { HourWeather } from './surfaceDay';

/** A day as somebody tells it who has no forecast: coolest before the sun, warmest in mid-afternoon. */
export interface DayByHand {
  readonly low_C: number;
  readonly high_C: number;
  /** of the afternoon, 0 to 1: the night is damper */
  readonly humidity: number;
  /** at ten metres, m/s */
  readonly wind10_ms: number;
  readonly cloud: number;
  /** in any hour */
  readonly rainChance: number;
}

const COOLEST_H = 5;
const WARMEST_H = 15;

/** How far of the way from the coolest to the warmest an hour of the day is. */
function warmth(hour: number): number {
  const h = ((hour % 24) + 24) % 24;
  const rising = h >= COOLEST_H && h <= WARMEST_H;
  const share = rising ? (h - COOLEST_H) / (WARMEST_H - COOLEST_H) : ((h - WARMEST_H + 24) % 24) / (24 - WARMEST_H + COOLEST_H);
  return rising ? (1 - Math.cos(share * Math.PI)) / 2 : (1 + Math.cos(share * Math.PI)) / 2;
}

/**
 * Hours of days that are all alike, from a few figures; the air holds its water, so that nights are damper.
 *
 * @param fromHour the local hour of the first of them, 0 to 23
 * @throws Problem `outOfRange` for a low over its high among others
 */
export function weatherByHand(day: DayByHand, { fromHour, hours }: { fromHour: number; hours: number }): HourWeather[] {
  const { low_C, high_C, humidity, wind10_ms, cloud, rainChance } = day;
  inRange({ quantity: 'high_C', value: high_C, least: -18, most: 55 });
  if (low_C > high_C) throw new Problem('outOfRange', { quantity: 'low_C', value: low_C, least: -18, most: high_C });
  inRange({ quantity: 'low_C', value: low_C, least: -18, most: 55 });
  for (const [quantity, value] of [
    ['humidity', humidity],
    ['cloud', cloud],
    ['rainChance', rainChance],
  ] as const)
    inRange({ quantity, value, least: 0, most: 1 });
  inRange({ quantity: 'wind10_ms', value: wind10_ms, least: 0, most: 60 });
  return Array.from({ length: hours }, (_, i) => {
    const share = warmth(fromHour + i);
    const air_C = low_C + (high_C - low_C) * share;
    // A kelvin less is some six parts in a hundred more of what the air can hold.
    return { air_C, humidity: Math.min(1, humidity * 1.06 ** (high_C - air_C)), wind10_ms, cloud, irradiance_Wm2: null, rainChance };
  });
}
