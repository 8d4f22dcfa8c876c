import type { ClashReason } from '../../day';
import type { LayerRole } from '../../batches';
import type { FollowCode } from '../../pour';

/** What is done of a day. */
export type DayCode = 'arrive' | 'remove' | 'damp' | 'mix' | 'lay' | 'finish' | 'follow' | 'clean' | 'fixed';

/** Why something begins when it does. */
export type DayWhy =
  | { readonly code: 'first' | 'pinned' | 'fixed' | 'weather' | 'morning' | 'spare' }
  /** what comes before it, and how long after the end of that at least, s */
  | { readonly code: 'after' | 'waits'; readonly on: string; readonly least_s: number }
  | { readonly code: 'hands'; readonly on: string };

/** One thing that is done, by the clock: s from the local midnight of the first day. */
export interface DayBar {
  readonly id: string;
  readonly code: DayCode;
  readonly start_s: number;
  readonly end_s: number;
  readonly hands: number;
  /** by finding, in order */
  readonly findings: readonly string[];
  readonly role: LayerRole | null;
  /** its number as it is chalked; absent for what is no batch */
  readonly batch?: string;
  readonly follow?: FollowCode;
  /** what somebody has called it: other trades, deliveries */
  readonly name?: string;
  readonly why: DayWhy;
}

/** Something that goes on by itself: a base that soaks, a layer that sets until it may be worked on. */
export interface DayRest {
  readonly code: 'soaks' | 'sets';
  readonly findings: readonly string[];
  readonly start_s: number;
  readonly end_s: number;
}

/** What the day turns on: the batch with the least to spare, and against what. */
export interface DayTurn {
  readonly batch: string;
  readonly spare_s: number;
  readonly code: 'weather' | 'opensBy' | 'wetEdge' | 'cover';
}

/** A limit of a day that could be let go. */
export type DayLimit = 'opensBy' | 'weather' | 'pins' | 'fixed';

/** The plan of a day, and of the days it runs on into. */
export interface DayPlan {
  readonly bars: readonly DayBar[];
  readonly rests: readonly DayRest[];
  /** when the hands are done, s from midnight; null on a clash */
  readonly done_s: number | null;
  /** when the last of it is open to what its element asks, and which finding's that is; null where nothing is asked or known */
  readonly opens: { readonly at_s: number; readonly findingId: string; readonly to: 'foot' | 'vehicles' } | null;
  /** batches by visit, and which of the visits this day is: what waits for longer than a working day is another one's */
  readonly visits: readonly (readonly string[])[];
  readonly visit: number;
  readonly turnsOn: DayTurn | null;
  /** that one batch or more are lost, by each one's own window */
  readonly chanceLost: number;
  /** what cannot be together with everything else, and what was let go so that there is a day at all; null where all of it holds */
  readonly clash: { readonly operations: readonly string[]; readonly why: ClashReason; readonly freed: DayLimit | null } | null;
}

/** Other trades and deliveries: they stand where they are. */
export interface FixedWork {
  readonly id: string;
  readonly name: string;
  readonly start_s: number;
  readonly duration_s: number;
  /** of the crew's own that it keeps */
  readonly hands: number;
}

/** What a day is put together from, beside its plan. */
export interface DayAsk {
  /** when the first water is wanted, s from midnight; null for as early as may be */
  readonly firstWater_s: number | null;
  /** which of the visits; the busiest where nobody says */
  readonly visit?: number;
  /** nobody comes before it, s from midnight */
  readonly from_s: number;
  /** by when it must be open, s from midnight; null where nobody asks */
  readonly opensBy_s: number | null;
  /** hours in which a product may be begun, by sheet, s from midnight; absent where nothing is known of its weather */
  readonly good?: Readonly<Record<string, readonly (readonly [from_s: number, to_s: number])[]>>;
  /** chance of rain in each hour from midnight, 0 to 1; absent where nothing is known of it */
  readonly rain?: readonly number[];
  readonly fixed?: readonly FixedWork[];
  /** where somebody has dragged a bar to, s from midnight */
  readonly pins?: Readonly<Record<string, number>>;
}
