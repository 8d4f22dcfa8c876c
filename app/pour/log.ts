import type { PourEventFields, RowOf } from '@tufa/contract/entities';
import { CORE_VERSION, type Plan, type PlanInput } from '@tufa/core/plan';
import type { EventKind } from '@tufa/core/pour';
import { v7 as uuid } from 'uuid';
import { change, write, type Change } from '../outbox/useFirm';
import { now } from '../parts/clock';
import type { JobView } from '../parts/useJob';

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

const latestPlan = (view: JobView): RowOf<'plan'> | undefined =>
  Object.values(view.data.plan)
    .filter(({ jobId }) => jobId === view.job.id)
    .sort((a, b) => (a.id < b.id ? 1 : -1))[0];

/** Starts a batch. A pour names its plan: the stored one where nothing changed, else a new one written in the same breath. */
export async function startBatch(tap: Omit<Tap, 'planId' | 'kind'> & { plan: Plan; input: PlanInput }): Promise<string> {
  const { view, plan, input } = tap;
  const held = latestPlan(view);
  const same = held && JSON.stringify(held.hashes, Object.keys(plan.hashes).sort()) === JSON.stringify(plan.hashes, Object.keys(plan.hashes).sort());
  const planId = same ? held.id : uuid();
  const event = eventChange({ ...tap, kind: 'start', planId });
  const store = change('plan', 'add', planId, {
    jobId: view.job.id,
    input,
    hashes: plan.hashes,
    coreVersion: CORE_VERSION,
    seed: 1,
    replaces: held?.id ?? null,
  });
  await write(...(same ? [event] : [store, event]));
  return event.target;
}
