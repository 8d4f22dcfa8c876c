import type { PlanInput } from '@tufa/core/plan';
import { OF_JOB, type BreakCode } from '@tufa/core/pour';
import { v7 as uuid } from 'uuid';
import { change, type Change } from '../outbox/useFirm';
import type { JobView } from '../parts/job/useJob';
import { readingAdd } from '../parts/job/readingAdd';
import { jobEvent } from './log';
import { inUse, planAdd } from './storedPlan';

/**
 * Writes that the plan broke and what was chosen, in one breath with what that changes: the job's crew and mix, the sun,
 * and a plan of what is left, which names the one it replaces.
 *
 * @param next the job from here on, with what is in place; null where the plan stays
 */
export async function logBreak({
  view,
  person,
  what,
  choice,
  next,
  sun,
}: {
  view: JobView;
  person: string;
  what: BreakCode;
  choice: string | null;
  next: PlanInput | null;
  sun: boolean | undefined;
}): Promise<void> {
  const planId = uuid();
  const changes: Change[] = next
    ? [
        change('job', 'change', view.job.id, { crew: next.crew, batch: next.batch }),
        ...(sun === undefined
          ? []
          : [readingAdd({ jobId: view.job.id, kind: 'sun', value: { value: sun ? 1 : 0, source: 'typed', by: view.data.person[person]?.name ?? '' } })]),
        planAdd(view, planId, next),
      ]
    : [];
  const named = next ? planId : (inUse(view).planId ?? view.batches.at(-1)?.planId);
  const findingId = view.finding?.findingId ?? view.batches[0]?.findingId;
  // What breaks before anything was planned or poured breaks nothing.
  if (!named || !findingId) return;
  await view.write(...changes, jobEvent({ view, person, kind: 'broke', batch: OF_JOB, findingId, planId: named, payload: { what, choice } }));
}
