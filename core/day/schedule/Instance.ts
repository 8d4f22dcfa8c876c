/** One thing that is done in a day, by somebody, once. */
export interface Operation {
  readonly id: string;
  readonly duration_s: number;
  /** how long it takes where that goes by the hour in which it begins; the last one holds on */
  readonly byHour_s?: readonly number[];
  /** how much of each resource it keeps while it lasts */
  readonly needs: Readonly<Record<string, number>>;
  /** one of which holds all of it, ends included; absent where it may be at any time */
  readonly windows?: readonly (readonly [from_s: number, to_s: number])[];
  /** where it stands for good: other trades, deliveries */
  readonly fixed_s?: number;
}

/** So much later, and no later, from the end of one operation to the start of another. */
export interface Lag {
  readonly from: string;
  readonly to: string;
  readonly least_s: number;
  readonly most_s: number | null;
}

/** A day to be put in order: operations with what they need, and the lags between them. Starts are multiples of a step. */
export interface Instance {
  readonly v: 1;
  readonly step_s: number;
  /** everything has ended by it, the end included */
  readonly horizon_s: number;
  readonly resources: Readonly<Record<string, number>>;
  readonly operations: readonly Operation[];
  readonly lags: readonly Lag[];
  readonly minimise: 'finish';
}

/** Why a day cannot be. */
export const CLASH_REASONS = ['lags', 'needs', 'windows', 'horizon', 'resources'] as const;
export type ClashReason = (typeof CLASH_REASONS)[number];

/** Operations that cannot be together, and by what. */
export interface Clash {
  readonly operations: readonly string[];
  readonly why: ClashReason;
}

/** When everything begins, or why it cannot. */
export interface Schedule {
  readonly starts_s: Readonly<Record<string, number>>;
  /** the end of the last of it; null on a clash */
  readonly finish_s: number | null;
  readonly clash: Clash | null;
}

/** How long an operation takes when it begins at a moment, s. */
export const durationAt = ({ duration_s, byHour_s }: Pick<Operation, 'duration_s' | 'byHour_s'>, start_s: number): number =>
  byHour_s && byHour_s.length > 0 ? byHour_s[Math.min(byHour_s.length - 1, Math.floor(start_s / 3600))]! : duration_s;
