import { inRange } from '../quantity';

/** Hand-arm vibration, daily values of ISO 5349-1, m/s2 over eight hours. */
export const VIBRATION = { action_ms2: 2.5, limit_ms2: 5 } as const;

/**
 * How long a tool may be held until the daily value is reached: `8 h (value/a)^2`.
 *
 * @param vibration_ms2 of the tool, over 0
 * @param value_ms2 the action value unless the limit is asked for
 * @returns s, at most a day
 * @throws Problem `outOfRange`
 */
export function vibrationTime({ vibration_ms2, value_ms2 = VIBRATION.action_ms2 }: { vibration_ms2: number; value_ms2?: number }): number {
  inRange({ quantity: 'vibration_ms2', value: vibration_ms2, least: 0.1, most: 100 });
  return Math.min(86400, 28800 * (value_ms2 / vibration_ms2) ** 2);
}
