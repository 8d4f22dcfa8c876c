import { readingsOf } from '@tufa/contract/assemble';
import type { FirmData } from '@tufa/contract/entities';

/** What of a job's kit is ticked as loaded: its key, and the row that says so. */
export const loadedOf = (data: Pick<FirmData, 'reading'>, jobId: string): ReadonlyMap<string, string> =>
  new Map(readingsOf(data, jobId).flatMap(({ id, kind, subject }) => (kind === 'acknowledged' && subject ? [[subject, id] as const] : [])));
