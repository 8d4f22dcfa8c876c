import { keptUntil, lifeOf, type Batch, type Lived, type RehearsalTaps, type RehearsedVisit, type StartedBatch } from '@tufa/core/plan';
import { fullOf, nextOf, standing, startedOf, type BatchState } from '@tufa/core/pour';
import { vesselsOf } from '@tufa/core/mix';
import { isStarted, listOf } from '../parts/job/batchList';
import type { JobView } from '../parts/job/useJob';
import { batchOfPlan } from '../pour/clocks';
import { inUse } from '../pour/storedPlan';

const lives = new WeakMap<Batch, Lived | null>();

function livedBy(found: NonNullable<ReturnType<typeof batchOfPlan>>): Lived | null {
  const known = lives.get(found.batch);
  if (known !== undefined) return known;
  const made = lifeOf(found.input, found.plan, found.batch);
  lives.set(found.batch, made);
  return made;
}

/** What was tapped of a batch, s from the beginning. */
function startedBatch(view: JobView, state: BatchState, begins_ms: number): StartedBatch[] {
  const found = batchOfPlan(view.data, state);
  if (!found) return [];
  const { batch, plan, input } = found;
  const seconds = (ms: number): number => (ms - begins_ms) / 1000;
  const lived = livedBy(found);
  const wrong = state.tests.find(({ test, passed }) => test === 'consistency' && !passed);
  const smallest = Math.min(...vesselsOf(input.firm).map(({ volume_m3 }) => volume_m3));
  const firm_m3 = input.firm.pail_m3;
  return [
    {
      number: state.batch,
      startedAt_s: seconds(state.startedAt),
      placedAt_s: state.placedAt === null ? null : seconds(state.placedAt),
      ends: state.ends.map(({ kind, at }) => ({ kind, at_s: seconds(at) })),
      foundWrong_s: wrong ? seconds(wrong.at) : null,
      batch,
      lived,
      hands: input.crew.hands,
      smallerVessel: (input.batch.pail_m3 ?? firm_m3) < firm_m3 * (1 - 1e-9) || firm_m3 <= smallest,
      touchedBy: lived && lived.touchedBy >= 0 ? (plan.batches[lived.touchedBy]?.number ?? null) : null,
    },
  ];
}

/** What the crew has done so far, as the rehearsal's rows tell it. */
export function tapsOf(view: JobView, begins_ms: number, { numbers }: RehearsedVisit): RehearsalTaps {
  const { plan } = inUse(view);
  const used = startedOf(view.events);
  const full = fullOf(view.events);
  const listed = plan ? listOf({ plan, events: view.events }).filter(isStarted) : [];
  const left = listed.filter((batch) => nextOf(batch, used, full) !== null && numbers.has(batch.number));
  return {
    started: view.batches.flatMap((state) => startedBatch(view, state, begins_ms)),
    left,
    broke: standing(view.events).flatMap(({ kind, payload: { what, choice = null }, deviceAt }) =>
      kind === 'broke' && what ? [{ what, choice, at_s: (deviceAt - begins_ms) / 1000 }] : [],
    ),
  };
}

/** Whether all that is mixed has come to its end. */
export const allDone = (view: JobView, { left, started }: RehearsalTaps): boolean =>
  started.length > 0 && !left.some(({ window }) => window) && view.batches.every(({ running }) => !running);

/** Until when nothing can be begun, ms; null where something can. */
export function keptOf({ broke }: RehearsalTaps, begins_ms: number, at_ms: number): number | null {
  const until = begins_ms + keptUntil(broke) * 1000;
  return until > at_ms ? until : null;
}
