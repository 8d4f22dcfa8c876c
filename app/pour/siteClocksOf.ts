import { followsOf, type Batch, type PlanInput } from '@tufa/core/plan';
import { listedNumber, nextDamp, siteClocks, type BatchState, type SiteClock } from '@tufa/core/pour';
import type { JobView } from '../parts/job/useJob';
import { batchOfPlan } from './clocks';

/** A clock of what follows the tool, with the batch it follows. */
export interface Followed extends SiteClock {
  readonly state: BatchState;
  readonly planned: Batch;
  readonly input: PlanInput;
}

/** Every clock of what follows the batches of a job, in the order of their time. */
export function siteClocksOf(view: JobView): Followed[] {
  return view.batches
    .flatMap((state) => {
      const found = batchOfPlan(view.data, state);
      if (!found) return [];
      const { batch, plan, input } = found;
      return siteClocks(followsOf(plan, input, batch), state).map((clock) => ({ ...clock, state, planned: batch, input }));
    })
    .sort((a, b) => a.at - b.at);
}

/** A slab that is kept damp ahead of its next batch, or a face that is misted until it needs no more, on an interval. */
export interface Wetting {
  readonly code: 'damp' | 'mist';
  readonly state: BatchState;
  readonly at: number;
}

/** What is wetted next: the slab ahead while more of its finding is to come, the new face after it where its steps say so. */
export function wettingOf(view: JobView, left: readonly Batch[]): Wetting[] {
  const last = new Map<string, Wetting>();
  for (const state of view.batches) {
    const found = batchOfPlan(view.data, state);
    if (!found || state.ends.some(({ kind }) => kind !== 'finished')) continue;
    const { plan, batch } = found;
    for (const { findingId } of batch.serves) {
      const chosen = plan.findings.find((finding) => finding.findingId === findingId)?.chosen;
      const every_s = chosen?.water?.redampEvery_s;
      // What lies under water, or is left dry, is never damped.
      if (!chosen || !every_s || chosen.water!.films_m3 === 0) continue;
      const more = left.some(({ number, serves }) => number !== listedNumber(state.batch) && serves.some((served) => served.findingId === findingId));
      const mists = chosen.steps.some(({ code }) => code === 'step.mist');
      if (more) last.set(`damp ${findingId}`, { code: 'damp', state, at: nextDamp(state, every_s, 'damp') });
      else if (mists && !state.running) last.set(`mist ${findingId}`, { code: 'mist', state, at: nextDamp(state, every_s, 'mist') });
    }
  }
  return [...last.values()].sort((a, b) => a.at - b.at);
}
