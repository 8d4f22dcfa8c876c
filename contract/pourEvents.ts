import type { PourEvent } from '@tufa/core/pour';
import type { FirmData, RowOf } from './entities';

const eventOf = (row: RowOf<'pourEvent'>): PourEvent => ({
  id: row.id,
  jobId: row.jobId,
  findingId: row.findingId,
  planId: row.planId,
  batch: row.batch,
  device: row.device,
  seq: row.seq,
  deviceAt: Date.parse(row.deviceAt),
  clockOffset: row.clockOffset,
  person: row.person,
  kind: row.kind,
  v: row.v,
  payload: row.payload,
  ...(row.undoes === null ? {} : { undoes: row.undoes }),
});

/** A job's pour events as the core folds them. */
export const pourEventsOf = (data: Pick<FirmData, 'pourEvent'>, jobId: string): PourEvent[] =>
  Object.values(data.pourEvent)
    .filter((row) => row.jobId === jobId && !row.removed)
    .map(eventOf);
