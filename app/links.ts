import type { Href } from 'expo-router';

/** The steps of a job, in the order of the work. */
export const STEPS = ['walk', 'fix', 'mix', 'day', 'pour', 'record'] as const;
export type Step = (typeof STEPS)[number];

/** What is done in Walk beside looking: each has its address, so that a link opens it and going back leaves it. */
export const WALKING = ['element', 'finding', 'stops', 'sounding', 'measuring', 'testing', 'pictures', 'files'] as const;
export type Walking = (typeof WALKING)[number];

type Query = Readonly<Record<string, string | undefined>>;

/** An address of this application. The library makes its own type of them while it serves; here it is made once. */
const address = (path: string, query: Query = {}): Href => {
  const asked = Object.entries(query).filter((entry): entry is [string, string] => entry[1] !== undefined);
  return (asked.length > 0 ? `${path}?${new URLSearchParams(asked).toString()}` : path) as Href;
};

/** Every address there is. */
export const links = {
  now: () => address('/'),
  jobs: () => address('/jobs'),
  newJob: () => address('/jobs/new'),
  editJob: (jobId: string) => address(`/jobs/${jobId}/edit`),
  step: (jobId: string, step: Step) => address(`/jobs/${jobId}/${step}`),
  /** Walk, doing something to an element, and which finding; a new one without an id */
  walking: (
    jobId: string,
    doing: Walking,
    { element, id, begun }: { element?: string | undefined; id?: string | undefined; begun?: string | undefined } = {},
  ) => address(`/jobs/${jobId}/walk`, { doing, element, id, begun }),
  /** Walk, reading what was read of a finding once more, at the same places */
  again: (jobId: string, element: string, id: string) => address(`/jobs/${jobId}/walk`, { doing: 'measuring', element, id }),
  /** Walk, looking at one of several elements */
  lookingAt: (jobId: string, element: string) => address(`/jobs/${jobId}/walk`, { element }),
  kit: (jobId: string) => address(`/jobs/${jobId}/fix`, { kit: 'open' }),
  /** Mix, at the ticket of one batch by its number */
  ticket: (jobId: string, batch: string) => address(`/jobs/${jobId}/mix`, { batch }),
  systems: (jobId: string) => address(`/jobs/${jobId}/systems`),
  shelf: () => address('/shelf'),
  shelfFiles: () => address('/shelf/files'),
  sheet: (sheetId: string) => address(`/shelf/${sheetId}`),
  /** a new sheet, like another, or the next of its product; `goes`: of what goes with a material */
  newSheet: ({ from, changes, goes }: { from?: string; changes?: boolean; goes?: boolean } = {}) =>
    address('/shelf/new', { from, as: changes ? 'change' : undefined, goes: goes ? '1' : undefined }),
  compare: (sheetIds: readonly string[]) => address('/shelf/compare', { ids: sheetIds.join(',') }),
  /** the whole pour of a job on a large screen that nobody touches */
  site: (jobId: string) => address(`/jobs/${jobId}/site`),
  /** Day: the coming week by the hour */
  week: (jobId: string) => address(`/jobs/${jobId}/week`),
  /** Day: the day by the clock */
  dayPlan: (jobId: string) => address(`/jobs/${jobId}/plan`),
  /** the twelve rehearsals, one of them, and a job's own day */
  rehearse: () => address('/rehearse'),
  /** a first job led by the hand */
  lesson: () => address('/lesson'),
  /** every figure of a job with what it was made of */
  why: (jobId: string) => address(`/jobs/${jobId}/why`),
  scenario: (code: string) => address(`/rehearse/${code}`),
  rehearseJob: (jobId: string) => address(`/jobs/${jobId}/rehearse`),
  /** the crew's own figures, of every product */
  figures: () => address('/figures'),
  load: () => address('/load'),
  /** everything of the firm that has some words */
  find: (q?: string) => address('/find', { q }),
  bench: () => address('/bench'),
  /** a sum, with what was typed in its fields */
  sum: (sum: string, typed: Query = {}) => address(`/bench/${sum}`, typed),
  window: (sheetId?: string) => address('/bench/window', { sheet: sheetId }),
  firm: () => address('/firm'),
  /** who is of the firm, from which devices; what was done */
  doors: () => address('/doors'),
  trail: () => address('/trail'),
  /** making a firm; taking an invitation, its secret behind the hash, where no server's log sees it; a passphrase that is lost */
  start: () => address('/start'),
  join: (token: string) => `${window.location.origin}/join#${token}`,
  recovery: () => address('/recovery'),
} as const;
