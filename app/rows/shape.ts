import type { EntityName, FirmData, Row } from '@tufa/contract/entities';

/** What belongs to the firm itself: every phone holds it whole. */
export const OF_FIRM = ['firm', 'person', 'product', 'sheet', 'stockLot', 'rehearsal', 'crewEntry', 'careVisit'] as const;
export type OfFirm = (typeof OF_FIRM)[number];

/** What belongs to a job: read from the phone when the job is opened. */
export const OF_JOB = ['element', 'finding', 'reading', 'forecast', 'photograph', 'treatment', 'plan', 'pourEvent'] as const;
export type OfJob = (typeof OF_JOB)[number];

export type FirmRows = Pick<FirmData, OfFirm>;
export type JobRows = Pick<FirmData, OfJob>;

export const isOfJob = (name: EntityName): name is OfJob => (OF_JOB as readonly string[]).includes(name);

/** A job of which nothing is known yet. */
export const noJobRows = (): JobRows => ({ element: {}, finding: {}, reading: {}, forecast: {}, photograph: {}, treatment: {}, plan: {}, pourEvent: {} });
export const noFirmRows = (): FirmRows => ({ firm: {}, person: {}, product: {}, sheet: {}, stockLot: {}, rehearsal: {}, crewEntry: {}, careVisit: {} });

/** How far a phone has followed its firm. */
export interface Place {
  readonly cursor: number;
  /** the last row's id where a page ended within the cursor's number */
  readonly after?: string;
  /** whether everything up to here has come: a first pull that was cut short shows nothing as the whole */
  readonly whole: boolean;
  /** what to add to this phone's clock to have the firm's, ms */
  readonly clockOffset: number;
}

/** Rows that came, by entity. */
export type Page = Partial<Record<EntityName, readonly Row[]>>;

/** What of a phone's rows a page has changed, by key. */
export interface Touched {
  readonly firm: readonly (readonly [OfFirm, string])[];
  /** jobs' own rows */
  readonly jobs: readonly string[];
  /** rows of jobs, by job */
  readonly rows: Readonly<Record<string, readonly (readonly [OfJob, string])[]>>;
}
