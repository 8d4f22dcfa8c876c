import type { FirmData, RowOf } from '@tufa/contract/entities';

/** How many sections a line of a list has room for. */
export const SECTIONS_MOST = 2;

/** What was found in a job and is repaired. */
export const foundIn = (data: FirmData, jobId: string): RowOf<'finding'>[] =>
  Object.values(data.finding).filter((finding) => finding.jobId === jobId && !finding.removed && finding.kind !== 'mark');
