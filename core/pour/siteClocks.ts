import type { BatchState, Tested } from './events';
import { FOLLOWS_SET, type Follow, type FollowCode } from './follows';

/** A clock of what follows a batch: from when it is *soon*, until when at most, and what the hand said of it. */
export interface SiteClock {
  /** by which a screen knows it */
  readonly key: string;
  readonly batch: string;
  readonly code: FollowCode;
  /** ms since 1970 by the firm's clock */
  readonly startedAt: number;
  readonly at: number;
  readonly until: number | null;
  /** when a hand found it ready; null while it is not */
  readonly passedAt: number | null;
  /** how often a hand found it not ready */
  readonly notYet: number;
}

/** After a hand found it not ready it is tried again no sooner than this: a share of its age, and ms. */
const AGAIN = { share: 0.12, least_ms: 60_000 } as const;

/** When a clock begins, ms: at the start, or when the batch was laid, by plan while it is not. */
const beginOf = ({ startedAt, placedAt, ends }: BatchState, { laid_s }: Follow): number =>
  laid_s === undefined ? startedAt : (placedAt ?? ends[0]?.at ?? startedAt + laid_s * 1000);

/** How much later, or sooner, this batch sets than its plan: what hands found of it, each the last word on what it tells. */
function learned(follows: readonly Follow[], state: BatchState): number {
  let factor = 1;
  for (const { test, passed, at } of state.tests) {
    const follow = follows.find(({ code }) => code === test);
    // Gel that was disturbed begins again: that says nothing of the batch's pace.
    if (!follow || follow.code === 'gel' || follow.after_s <= 0) continue;
    const age = (at - beginOf(state, follow)) / 1000 / follow.after_s;
    factor = passed ? Math.min(factor, Math.max(age, 0.2)) : Math.max(factor, age * (1 + AGAIN.share));
  }
  return factor;
}

const againAt = (tests: readonly Tested[], startedAt: number): number => {
  const last = tests.filter(({ passed }) => !passed).at(-1);
  return last ? last.at + Math.max(AGAIN.least_ms, (last.at - startedAt) * AGAIN.share) : 0;
};

/**
 * The clocks of what follows a batch, moved by what hands found: *not yet* learns a new time from this batch, for itself
 * and for whatever sets with it; what a strength permits is only ever moved later. Gel that was disturbed starts again.
 *
 * @param follows of this batch, s from its start
 * @returns in the order of their time; nothing for a batch that was lost
 */
export function siteClocks(follows: readonly Follow[], state: BatchState): SiteClock[] {
  const { batch, startedAt, tests, ends } = state;
  if (ends.some(({ kind }) => kind !== 'finished')) return [];
  const factor = learned(follows, state);
  return follows
    .map((follow): SiteClock => {
      const { code, after_s, until_s } = follow;
      const begun = beginOf(state, follow);
      const of = tests.filter(({ test }) => test === code);
      const last = of.at(-1);
      const pace = FOLLOWS_SET.includes(code) ? factor : Math.max(1, factor);
      const disturbed = code === 'gel' ? of.filter(({ passed }) => !passed).at(-1)?.at : undefined;
      const from = disturbed ?? begun;
      const due = from + after_s * 1000 * (code === 'gel' ? 1 : pace);
      return {
        key: `${batch} ${code}`,
        batch,
        code,
        startedAt,
        at: code === 'gel' ? due : Math.max(due, againAt(of, begun)),
        until: until_s === null ? null : from + until_s * 1000 * Math.min(1, pace),
        passedAt: last?.passed ? last.at : null,
        notYet: of.filter(({ passed }) => !passed).length,
      };
    })
    .sort((a, b) => a.at - b.at);
}

/** When the slab is damped, or the face misted, next: so long after the last time, from its start. */
export function nextDamp({ tests, startedAt }: Pick<BatchState, 'tests' | 'startedAt'>, every_s: number, code: 'damp' | 'mist'): number {
  const last = tests.filter(({ test }) => test === code).at(-1)?.at ?? startedAt;
  return last + every_s * 1000;
}
