import { wastedOf } from './advance';
import type { LostWhy, MishapCode, RehearsalState, RehearsalTaps } from './Rehearsal';

/** A moment that decided, s from the beginning. */
export type Moment =
  | {
      readonly code: 'mishap';
      readonly what: MishapCode;
      readonly number: string;
      readonly at_s: number;
      readonly answered_s: number | null;
      readonly choice: string | null;
    }
  | { readonly code: 'lost'; readonly why: LostWhy; readonly number: string; readonly at_s: number }
  | { readonly code: 'close'; readonly number: string; readonly spent_share: number; readonly at_s: number }
  | { readonly code: 'idle'; readonly at_s: number; readonly for_s: number };

/** What came of a rehearsal. */
export interface RehearsalOutcome {
  readonly started: number;
  readonly lost: number;
  readonly wasted_s: number;
  readonly took_s: number;
  /** in the order of their time */
  readonly moments: readonly Moment[];
}

/** A batch that had spent so much of its life when it was done was nearly lost. */
const CLOSE = 0.85;
/** Hands that stood for so long are a moment, s. */
const LONG_S = 180;

/** What came of it, and the moments that decided. */
export function outcomeOf(state: RehearsalState, { started, broke }: Pick<RehearsalTaps, 'started' | 'broke'>): RehearsalOutcome {
  const batches = Object.values(state.batches).filter(({ startedAt_s }) => startedAt_s >= 0);
  const lived = new Map(started.map((each) => [each.number, each.lived]));
  const moments: Moment[] = [
    ...state.happened.map(({ code, at_s, number }): Moment => {
      const wrong = started.find((each) => each.number === number)?.foundWrong_s ?? null;
      const said = broke.find(({ what, at_s: said_s }) => what === code && said_s >= at_s);
      const answered_s = code === 'wetter' ? wrong : (said?.at_s ?? null);
      return {
        code: 'mishap',
        what: code,
        number,
        at_s,
        answered_s: answered_s === null ? null : Math.max(0, answered_s - at_s),
        choice: said?.choice ?? null,
      };
    }),
    ...batches.flatMap(({ number, lost }): Moment[] => (lost ? [{ code: 'lost', why: lost.why, number, at_s: lost.at_s }] : [])),
    ...batches.flatMap(({ number, lost, doneAt_s, spent, life }): Moment[] => {
      const share = spent / life / (lived.get(number)?.ratio ?? Infinity);
      return !lost && doneAt_s !== null && share >= CLOSE ? [{ code: 'close', number, spent_share: Math.min(1, share), at_s: doneAt_s }] : [];
    }),
    ...state.idle.flatMap(({ from_s, to_s }): Moment[] => (to_s - from_s >= LONG_S ? [{ code: 'idle', at_s: from_s, for_s: to_s - from_s }] : [])),
  ];
  return {
    started: batches.length,
    lost: batches.filter(({ lost }) => lost).length,
    wasted_s: wastedOf(state),
    took_s: Math.max(0, ...batches.map(({ doneAt_s }) => doneAt_s ?? state.at_s)),
    moments: moments.sort((a, b) => a.at_s - b.at_s),
  };
}
