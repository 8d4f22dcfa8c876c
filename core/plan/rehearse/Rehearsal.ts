import type { BreakCode } from '../../pour';
import type { Batch } from '../batches/Made';
import type { Lived } from '../dayPlan/livedOf';

/** What spoils a day that is rehearsed. */
export const MISHAPS = ['vessel', 'fewer', 'sun', 'wetter', 'call'] as const;
export type MishapCode = (typeof MISHAPS)[number];

/** When it happens: so long after the nth start of something with a clock. */
export interface Mishap {
  readonly code: MishapCode;
  readonly nth: number;
  readonly after_s: number;
}

/** What a rehearsal is played with. The same seed is the same day on every engine. */
export interface RehearsalSetup {
  /** an integer */
  readonly seed: number;
  readonly hands: number;
  /** how much of the usual spread of lives and rates is drawn, 0 to 1 */
  readonly luck: number;
  readonly mishaps: readonly Mishap[];
  /** how much warmer the sun makes what it comes round onto, K */
  readonly sun_K: number;
}

/** Why a batch was lost. */
export const LOST_WHYS = ['hardInPail', 'stiff', 'skinned', 'coldJoint', 'tooSoon', 'tooLate', 'tooWet', 'unfinished', 'gaveUp', 'thrown'] as const;
export type LostWhy = (typeof LOST_WHYS)[number];

export const STAGES = ['mix', 'lay', 'finish', 'done'] as const;
export type Stage = (typeof STAGES)[number];

/** One batch as it really goes; s from the beginning of the rehearsal. */
export interface RehearsedBatch {
  readonly number: string;
  readonly make: Batch['make'];
  readonly stage: Stage;
  /** how much of its stage is done, 0 to 1 */
  readonly share: number;
  readonly startedAt_s: number;
  /** when the last of it was in place, and when the tool was done; null while they are not */
  readonly laidAt_s: number | null;
  readonly doneAt_s: number | null;
  readonly lost: { readonly why: LostWhy; readonly at_s: number } | null;
  /** mixed wetter than its ticket, and nobody has put that right */
  readonly wet: boolean;
  /** what its life and its work come to on this day, against the plan */
  readonly life: number;
  readonly pace: number;
  readonly skin: number;
  /** of its flowing life, in shares of what the plan expects */
  readonly spent: number;
}

/** What happened, and to which batch. */
export interface Happened {
  readonly code: MishapCode;
  readonly at_s: number;
  readonly number: string;
}

/** A rehearsal at one moment. */
export interface RehearsalState {
  readonly at_s: number;
  readonly hands: number;
  readonly happened: readonly Happened[];
  readonly batches: Readonly<Record<string, RehearsedBatch>>;
  /** when hands stood although something could have been begun */
  readonly idle: readonly { readonly from_s: number; readonly to_s: number }[];
}

/** A batch that somebody has started, with what was tapped of it; s from the beginning of the rehearsal. */
export interface StartedBatch {
  /** what is written on it */
  readonly number: string;
  readonly startedAt_s: number;
  readonly placedAt_s: number | null;
  readonly ends: readonly { readonly kind: 'finished' | 'wentHard' | 'thrown'; readonly at_s: number }[];
  /** when a hand found that it does not stand as it should */
  readonly foundWrong_s: number | null;
  readonly batch: Batch;
  /** how it lives; null for what has no clock of its own */
  readonly lived: Lived | null;
  /** the hands that its plan counts on */
  readonly hands: number;
  /** its plan counts on the smaller vessel that is left */
  readonly smallerVessel: boolean;
  /** whose first portion must touch the last edge of this one, as the plan numbers it; null where none does */
  readonly touchedBy: string | null;
}

/** What the crew has done so far, as its taps tell it. */
export interface RehearsalTaps {
  readonly started: readonly StartedBatch[];
  /** not started yet */
  readonly left: readonly Batch[];
  /** what was said to have broken, and what was chosen */
  readonly broke: readonly { readonly what: BreakCode; readonly choice: string | null; readonly at_s: number }[];
}
