import type { JobView } from '../parts/job/useJob';

/** By which the state of a pour's screen is kept while one looks elsewhere; a rehearsal begins anew each time. */
export const keptIn = ({ job, practice }: JobView, what: string): string | null => (practice ? null : `pour ${job.id} ${what}`);
