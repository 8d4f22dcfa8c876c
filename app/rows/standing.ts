import { pourEventsOf } from '@tufa/contract/pourEvents';
import type { Row, RowOf } from '@tufa/contract/entities';
import { fold } from '@tufa/core/pour/events';
import type { Step } from '../links';
import type { JobRows } from './shape';

/** Where a job stands, from its rows alone: what lists show of it without reading them. */
export interface Standing {
  /** what it waits for, and the step that gives it */
  readonly wait: { readonly code: string; readonly step: Step };
  /** batches whose clock runs */
  readonly running: readonly string[];
  /** how many of its findings its small picture shows */
  readonly drawn: number;
}

/** What a small picture of a job is drawn from: its first findings with what is chosen for them, or its first element. */
export interface Picture {
  readonly element: RowOf<'element'> | null;
  readonly found: readonly { readonly finding: RowOf<'finding'>; readonly element: RowOf<'element'> | null; readonly sheetId: string | null }[];
}

const QUESTIONS = 5;

/** How many sections a line of a list has room for. */
const SECTIONS_MOST = 2;

/** Rows that stand, in the order they were made. */
const present = <R extends Row>(table: Readonly<Record<string, R>>): R[] =>
  Object.values(table)
    .filter(({ removed }) => !removed)
    .sort((a, b) => (a.id < b.id ? -1 : 1));

/** What was found in a job and is repaired. */
const foundIn = (rows: JobRows): RowOf<'finding'>[] => present(rows.finding).filter(({ kind }) => kind !== 'mark');

const foldOf = (rows: JobRows): ReturnType<typeof fold> => {
  const [jobId] = Object.values(rows.pourEvent).map((row) => row.jobId);
  return jobId === undefined ? [] : fold(pourEventsOf(rows, jobId));
};

function waitOf(rows: JobRows, batches: ReturnType<typeof fold>): Standing['wait'] {
  const answered = present(rows.element).map(({ stops: { opinion, ...answers } }) => ({ opinion, answers: Object.values(answers) }));
  if (answered.some(({ opinion, answers }) => !opinion && answers.some((answer) => answer !== 'no'))) return { code: 'stop', step: 'walk' };
  if (present(rows.finding).length === 0 || answered.some(({ answers }) => answers.length < QUESTIONS)) return { code: 'walk', step: 'walk' };
  if (present(rows.treatment).length === 0) return { code: 'fix', step: 'fix' };
  if (batches.length > 0 && batches.every((batch) => !batch.running)) return { code: 'record', step: 'record' };
  if (!present(rows.reading).some(({ kind }) => kind === 'slab_C')) return { code: 'day', step: 'day' };
  return { code: 'pour', step: 'pour' };
}

/** What a job waits for and what runs on it, from its rows alone, without computing its plan. */
export function standingOf(rows: JobRows): Standing {
  const batches = foldOf(rows);
  return {
    wait: waitOf(rows, batches),
    running: batches.flatMap(({ batch, running }) => (running ? [batch] : [])),
    drawn: Math.min(SECTIONS_MOST, foundIn(rows).length),
  };
}

/** What a job of which nothing has come waits for. */
export const NOTHING_YET: Standing = { wait: { code: 'walk', step: 'walk' }, running: [], drawn: 0 };

/** What a small picture of a job is drawn from. */
export function pictureOf(rows: JobRows): Picture {
  const chosen = present(rows.treatment);
  return {
    element: present(rows.element)[0] ?? null,
    found: foundIn(rows)
      .slice(0, SECTIONS_MOST)
      .map((finding) => ({
        finding,
        element: rows.element[finding.elementId] ?? null,
        sheetId: chosen.find(({ findingId }) => findingId === finding.id)?.sheetId ?? null,
      })),
  };
}
