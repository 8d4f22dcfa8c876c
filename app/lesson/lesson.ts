import { STOP_QUESTIONS } from '@tufa/core/survey';
import { useSyncExternalStore } from 'react';
import type { Step } from '../links';
import type { JobView } from '../parts/job/useJob';

/** What is done in a first job, in order: where it is done, what is tapped there, and whether it has been. */
const STEPS = [
  { code: 'element', step: 'walk', taps: ['walk.addElement', 'walk.save'], done: ({ input }) => input.elements.length > 0 },
  {
    code: 'stops',
    step: 'walk',
    taps: ['walk.stopsOpen', 'walk.save'],
    done: ({ input }) => input.elements.some(({ stops }) => STOP_QUESTIONS.every((question) => stops[question] === 'no')),
  },
  { code: 'finding', step: 'walk', taps: ['walk.addFinding', 'walk.save'], done: ({ input }) => input.findings.length > 0 },
  { code: 'choose', step: 'fix', taps: ['fix.use'], done: ({ input }) => input.treatments.length > 0 },
  { code: 'ticket', step: 'mix', taps: [], done: (_view, seen) => seen.includes('ticket') },
  { code: 'read', step: 'day', taps: ['day.keep', 'day.confirm'], done: ({ input }) => input.conditions.slab_C.source !== 'assumed' },
  { code: 'start', step: 'pour', taps: [], done: ({ batches }) => batches.length > 0 },
  { code: 'placed', step: 'pour', taps: [], done: ({ batches }) => batches.some(({ placedAt, ends }) => placedAt !== null || ends.length > 0) },
  { code: 'finished', step: 'pour', taps: [], done: ({ batches }) => batches.some(({ ends }) => ends.length > 0) },
  { code: 'record', step: 'record', taps: [], done: (_view, seen) => seen.includes('record') },
] as const satisfies readonly { code: string; step: Step; taps: readonly string[]; done: (view: LessonView, seen: readonly string[]) => boolean }[];

type LessonView = Pick<JobView, 'input' | 'batches'>;

/** One step of a first job. */
export type LessonStep = (typeof STEPS)[number];
/** How many there are. */
export const LESSON_STEPS = STEPS.length;

/** What comes next, and which it is, counted from 1; null once all of it is done. */
export function nextOf(view: LessonView, seen: readonly string[]): { readonly at: LessonStep; readonly n: number } | null {
  const i = STEPS.findIndex(({ done }) => !done(view, seen));
  return i < 0 ? null : { at: STEPS[i]!, n: i + 1 };
}

/** A first job that is under way on this phone. */
export interface Lesson {
  readonly jobId: string;
  /** what of it is only looked at, and was */
  readonly seen: readonly string[];
  /** the line at the top is put away until it is gone on with */
  readonly left: boolean;
}

const KEY = 'tufa-lesson';
const listeners = new Set<() => void>();
let known: { text: string | null; lesson: Lesson | null } = { text: null, lesson: null };

/** The lesson of this phone; null where none was begun. */
function lessonNow(): Lesson | null {
  const text = localStorage.getItem(KEY);
  if (text !== known.text) known = { text, lesson: text ? (JSON.parse(text) as Lesson) : null };
  return known.lesson;
}

/** Keeps how far it is. */
export function keepLesson(lesson: Lesson): void {
  localStorage.setItem(KEY, JSON.stringify(lesson));
  for (const listener of listeners) listener();
}

/** Notes that something was looked at. */
export function seenInLesson(jobId: string, what: string): void {
  const lesson = lessonNow();
  if (lesson?.jobId === jobId && !lesson.seen.includes(what)) keepLesson({ ...lesson, seen: [...lesson.seen, what] });
}

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** The lesson of this phone, followed by a component. */
export const useLesson = (): Lesson | null => useSyncExternalStore(subscribe, lessonNow, lessonNow);
