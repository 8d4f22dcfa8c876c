import { inRange } from '../quantity';
import { DAY } from './constants';

/**
 * How long a tool may be held until the daily value is reached: `8 h (value/a)^2`.
 *
 * @param vibration_ms2 of the tool, over 0
 * @param value_ms2 the action value unless the limit is asked for
 * @returns s, at most a day
 * @throws Problem `outOfRange`
 */
export function vibrationTime({ vibration_ms2, value_ms2 = DAY.vibrationAction_ms2 }: { vibration_ms2: number; value_ms2?: number }): number {
  inRange({ quantity: 'vibration_ms2', value: vibration_ms2, least: 0.1, most: 100 });
  return Math.min(86400, DAY.vibrationDay_s * (value_ms2 / vibration_ms2) ** 2);
}

/** How long a tool may be held until the action value and until the limit. @returns s @throws Problem `outOfRange` */
export const vibrationTimes = ({ vibration_ms2 }: { vibration_ms2: number }): { action_s: number; limit_s: number } => ({
  action_s: vibrationTime({ vibration_ms2 }),
  limit_s: vibrationTime({ vibration_ms2, value_ms2: DAY.vibrationLimit_ms2 }),
});

/** One tool in one person's hands for so long. */
export interface ToolUse {
  readonly vibration_ms2: number;
  readonly for_s: number;
}

/**
 * A person's tools of a day added up: the sum of each one's time over its time to the action value. At 1 the action value
 * is reached.
 *
 * @throws Problem `outOfRange`
 */
export const vibrationShare = (uses: readonly ToolUse[]): number =>
  uses.reduce((sum, { vibration_ms2, for_s }) => sum + (for_s * (vibration_ms2 / DAY.vibrationAction_ms2) ** 2) / DAY.vibrationDay_s, 0);
