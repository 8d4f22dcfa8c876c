import { pourEventsOf } from '@tufa/contract/pourEvents';
import type { FirmData } from '@tufa/contract/entities';
import { fold } from '@tufa/core/pour/events';
import type { Step } from '../links';

const ofJob = <R extends { removed: boolean; jobId: string }>(table: Readonly<Record<string, R>>, jobId: string): R[] =>
  Object.values(table).filter((row) => row.jobId === jobId && !row.removed);

const QUESTIONS = 5;

/** Batches whose clock runs, on any job. */
export function running(data: FirmData): { jobId: string; batch: string }[] {
  const jobIds = new Set(Object.values(data.pourEvent).map(({ jobId }) => jobId));
  return [...jobIds].flatMap((jobId) =>
    fold(pourEventsOf(data, jobId))
      .filter((batch) => batch.running)
      .map(({ batch }) => ({ jobId, batch })),
  );
}

/** What a job waits for, from its rows alone, without computing its plan. */
export function waitingFor(data: FirmData, jobId: string): { code: string; step: Step } {
  const elements = ofJob(data.element, jobId);
  const answered = elements.map(({ stops: { opinion, ...answers } }) => ({ opinion, answers: Object.values(answers) }));
  if (answered.some(({ opinion, answers }) => !opinion && answers.some((answer) => answer !== 'no'))) return { code: 'stop', step: 'walk' };
  if (ofJob(data.finding, jobId).length === 0 || answered.some(({ answers }) => answers.length < QUESTIONS)) return { code: 'walk', step: 'walk' };
  if (ofJob(data.treatment, jobId).length === 0) return { code: 'fix', step: 'fix' };
  const batches = fold(pourEventsOf(data, jobId));
  if (batches.length > 0 && batches.every((batch) => !batch.running)) return { code: 'record', step: 'record' };
  if (!ofJob(data.reading, jobId).some(({ kind }) => kind === 'slab_C')) return { code: 'day', step: 'day' };
  return { code: 'pour', step: 'pour' };
}
