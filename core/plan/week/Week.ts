import type { Ending } from '../../setting';

/** What keeps an hour from being good, the hardest first. */
export const HOUR_REASONS = ['gone', 'closed', 'dark', 'cold', 'heat', 'rain', 'frost', 'dew', 'skin', 'short'] as const;
export type HourReason = (typeof HOUR_REASONS)[number];

/** A batch of one product as it would be with its first water at some hour. */
export interface WeekHour {
  readonly at_ms: number;
  readonly air_C: number;
  readonly slab_C: number;
  /** it must be placed by then, s from first water, and what ends it */
  readonly placeBy_s: number;
  readonly ends: Ending;
  readonly needs_s: number;
  /** of losing the batch */
  readonly chanceLost: number;
  /** the likeliest rain while it is soft, where a forecast says */
  readonly rainChance: number | null;
  /** why it is not good; null for a good hour */
  readonly why: HourReason | null;
}

/** Hours one after the other in which a product may be begun. */
export interface GoodRun {
  readonly from_ms: number;
  /** the last hour of it, which is good too */
  readonly to_ms: number;
  readonly least_s: number;
  readonly most_s: number;
}

/** A product through the hours asked for. */
export interface WeekOfProduct {
  readonly key: string;
  readonly sheetId: string;
  readonly hours: readonly WeekHour[];
  readonly runs: readonly GoodRun[];
  /** there are hours of a day whose sun does not rise: they count as good with lights */
  readonly sunless: boolean;
}
