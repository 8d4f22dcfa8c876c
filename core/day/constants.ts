import { constant, valuesOf } from '../quantity/constant';

/** The constants of the day. */
export const DAY_TABLE = {
  vibrationAction_ms2: constant(2.5, 'm/s2', 'daily action value, ISO 5349-1', 'method'),
  vibrationLimit_ms2: constant(5, 'm/s2', 'daily limit, ISO 5349-1', 'method'),
  vibrationDay_s: constant(28800, 's', 'eight hours of ISO 5349-1', 'exact'),
} as const;

export const DAY = valuesOf(DAY_TABLE);
