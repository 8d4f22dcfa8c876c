import type { JobParts } from './JobParts';

/** The hour and the day where the job is, as a document prints them. */
export const clockOf = ({ speaker }: JobParts, ms: number): string =>
  new Date(ms).toLocaleTimeString('en-GB', { timeZone: speaker.zone, hour: '2-digit', minute: '2-digit' });
export const dayOf = ({ speaker }: JobParts, ms: number): string => new Date(ms).toLocaleDateString('sv-SE', { timeZone: speaker.zone });
