import quantile from '@stdlib/stats-base-dists-normal-quantile';
import { inRange } from '../quantity';
import { SETTING } from './constants';

/**
 * The level of the spent budget at which the plan stops: `s = exp(-z sd)`, z the exact normal quantile of one less the
 * firm's accepted chance of losing a batch. It is a level of the budget, not a factor on minutes.
 *
 * @param sdLn predictive sd of ln life, noise included
 * @param chance 0.001 to 0.5
 * @example safeShare({ sdLn: 0.32015621187164245, chance: 0.1 }) // 0.6635
 */
export function safeShare({ sdLn, chance }: { sdLn: number; chance: number }): number {
  inRange({ quantity: 'sdLn', value: sdLn, least: 0, most: 3 });
  inRange({ quantity: 'chance', value: chance, least: 0.001, most: 0.5 });
  return Math.exp(-quantile(1 - chance, 0, 1) * sdLn);
}

/** Predictive sd of ln life before the crew has a record: the sheet's own spread and one batch's noise. */
export const sdWithoutRecord = (sheetGivesRange: boolean): number => Math.hypot(sheetGivesRange ? SETTING.sdRange : SETTING.sdSheet, SETTING.sdNoise);
