import type { PourEventFields } from '@tufa/contract/entities';
import { canonical, hashesOf, type PlanInput } from '@tufa/core/plan';
import type { EventKind } from '@tufa/core/pour';
import { v7 as uuid } from 'uuid';
import { change, write, type Change } from '../outbox/useFirm';
import { now } from '../parts/phone/clock';
import type { JobView } from '../parts/job/useJob';
import { latestPlan, planAdd } from './storedPlan';

interface Tap {
  readonly view: JobView;
  readonly person: string;
  readonly kind: EventKind;
  readonly batch: string;
  readonly findingId: string;
  readonly planId: string;
  readonly text?: string;
  readonly undoes?: string;
}

const eventChange = ({ view, person, kind, batch, findingId, planId, text, undoes }: Tap): Change => {
  // Device and seq are filled in by the outbox, in the transaction that writes the record.
  const fields: Partial<PourEventFields> = {
    jobId: view.job.id,
    findingId,
    planId,
    batch,
    deviceAt: new Date(now()).toISOString(),
    clockOffset: view.clockOffset,
    person,
    kind,
    v: 1,
    payload: text === undefined ? {} : { text },
    undoes: undoes ?? null,
  };
  return change('pourEvent', 'add', uuid(), fields);
};

/** Logs one tap; resolves when it is on the phone. @returns the event's id */
export async function log(tap: Tap): Promise<string> {
  const event = eventChange(tap);
  await write(event);
  return event.target;
}

/** Starts a batch. A pour names its plan: the one in use, else a new one written in the same breath. */
export async function startBatch(tap: Omit<Tap, 'planId' | 'kind'> & { input: PlanInput; inUse: string | null }): Promise<string> {
  const { view, input, inUse } = tap;
  const plan = latestPlan(view);
  const same = plan && canonical(plan.hashes) === canonical(hashesOf(input)) ? plan.id : null;
  const named = inUse ?? same;
  const planId = named ?? uuid();
  const event = eventChange({ ...tap, kind: 'start', planId });
  await write(...(named ? [event] : [planAdd(view, planId, input), event]));
  return event.target;
}
