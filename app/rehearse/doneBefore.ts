import type { RehearsedVisit } from '@tufa/core/plan';
import type { FirmData } from '@tufa/contract/entities';
import { firstServed } from '../parts/job/batchList';
import type { JobView } from '../parts/job/useJob';
import { log, startBatch } from '../pour/log';
import type { Rehearsing } from './Rehearsing';

/** An hour more than what is waited for. */
const SPARE_MS = 3_600_000;

/** What an earlier visit has left in place is in place when the rehearsal begins, and has waited for as long as it must. */
export async function doneBefore({
  rehearsing,
  visit: { earlier },
  view: viewOf,
  person,
}: {
  rehearsing: Rehearsing;
  visit: RehearsedVisit;
  view: (data: FirmData) => JobView | null;
  person: string;
}): Promise<void> {
  for (const batch of earlier) {
    const view = viewOf(rehearsing.snapshot().data);
    if (!view?.plan) return;
    const waited_s = Math.max(0, ...view.plan.batches.flatMap(({ waits }) => waits.flatMap(({ on, least_s }) => (on === batch.number ? [least_s] : []))));
    const then = { ...view, write: rehearsing.write, now: () => rehearsing.begins_ms - waited_s * 1000 - SPARE_MS };
    const { planId } = await startBatch({ view: then, input: view.input, inUse: null, person, batch, written: batch.number });
    if (batch.window) await log({ view: then, person, kind: 'finished', batch: batch.number, findingId: firstServed(batch).findingId, planId });
  }
}
