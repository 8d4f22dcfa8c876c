import type { PourEventFields } from '@tufa/contract/entities';
import type { Used } from '@tufa/core/mix';
import { canonical, hashesOf, type Batch, type PlanInput } from '@tufa/core/plan';
import type { BatchState, EventKind, EventPayload } from '@tufa/core/pour';
import { v7 as uuid } from 'uuid';
import { change, type Change } from '../outbox/useFirm';
import type { JobView } from '../parts/job/useJob';
import { firstServed } from '../parts/job/batchList';
import { planAdd } from './storedPlan';

interface Tap {
  readonly view: JobView;
  readonly person: string;
  readonly kind: EventKind;
  readonly batch: string;
  readonly findingId: string;
  readonly planId: string;
  readonly payload?: EventPayload;
  readonly undoes?: string;
}

/** One tap as it is written. */
export const jobEvent = ({ view, person, kind, batch, findingId, planId, payload = {}, undoes }: Tap): Change => {
  // Device and seq are filled in by the outbox, in the transaction that writes the record.
  const fields: Partial<PourEventFields> = {
    jobId: view.job.id,
    findingId,
    planId,
    batch,
    deviceAt: new Date(view.now()).toISOString(),
    clockOffset: view.clockOffset,
    person,
    kind,
    v: 1,
    payload,
    undoes: undoes ?? null,
  };
  return change('pourEvent', 'add', uuid(), fields);
};

/** Logs one tap; resolves when it is on the phone. @returns the event's id */
export async function log(tap: Tap): Promise<string> {
  const event = jobEvent(tap);
  await tap.view.write(event);
  return event.target;
}

/** Of which batch of the list something is written, and by which plan. */
interface Written {
  readonly view: JobView;
  readonly input: PlanInput;
  readonly inUse: string | null;
  readonly person: string;
  readonly batch: Batch;
  /** what is written on the pail */
  readonly written: string;
}

/** Logs by the plan in use, else by a new one that is written in the same breath. */
async function logByPlan(
  kind: 'start' | 'chalked' | 'used',
  { view, input, inUse, person, batch, written }: Written,
  more: EventPayload = {},
): Promise<{ readonly eventId: string; readonly planId: string }> {
  const made = (hashes: object, { poured = [] }: PlanInput): string => canonical({ hashes, poured });
  const now = made(hashesOf(input), input);
  const same = Object.values(view.data.plan).find((plan) => plan.jobId === view.job.id && made(plan.hashes, plan.input) === now);
  const named = inUse ?? same?.id;
  const planId = named ?? uuid();
  const of = { view, person, batch: written, findingId: firstServed(batch).findingId, planId };
  const event = jobEvent({ ...of, kind, payload: { key: batch.key, ...more } });
  // What has no life of its own is on at once: only what follows it has a clock.
  const on = kind === 'start' && batch.window === null ? [jobEvent({ ...of, kind: 'finished' })] : [];
  await view.write(...(named ? [] : [planAdd(view, planId, input)]), event, ...on);
  return { eventId: event.target, planId };
}

/** The bottle is empty: this shot is finished and the next one begins, in one breath. @returns the event that started it */
export async function nextShot({ view, person, state, written }: { view: JobView; person: string; state: BatchState; written: string }): Promise<string> {
  const of = { view, person, findingId: state.findingId, planId: state.planId };
  const start = jobEvent({ ...of, kind: 'start', batch: written, payload: state.key === null ? {} : { key: state.key } });
  await view.write(jobEvent({ ...of, kind: 'finished', batch: state.batch }), start);
  return start.target;
}

/** Starts a batch. A pour names its plan. What is brushed from its tin is on at once. */
export const startBatch = (written: Written): ReturnType<typeof logByPlan> => logByPlan('start', written);

/** Says that a number is written on a ticket or a label: it stays with its batch from now on. */
export const chalk = (written: Written): ReturnType<typeof logByPlan> => logByPlan('chalked', written);

/** Says what really went into a batch. */
export const logUsed = (written: Written, used: Used): ReturnType<typeof logByPlan> => logByPlan('used', written, { used });
