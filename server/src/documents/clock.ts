import { sayDate } from '@tufa/words/dates';
import type { JobParts } from './JobParts';

/** The day, and the day with its hour, where the job is, as a document prints them. */
export const dayOf = ({ speaker }: JobParts, ms: number): string => sayDate(speaker, ms, 'date', speaker.zone);
export const momentOf = ({ speaker }: JobParts, ms: number): string => sayDate(speaker, ms, 'moment', speaker.zone);
