import type { ReadingFields, Row } from '@tufa/contract/entities';
import type { Measured } from '@tufa/core/quantity';
import { v7 as uuid } from 'uuid';
import { change, type Change } from '../outbox/useFirm';
import { now } from '../parts/phone/clock';
import type { JobView } from '../parts/job/useJob';

/** A reading of this moment. */
export const readingAdd = (
  view: JobView,
  fields: Pick<ReadingFields, 'kind' | 'at' | 'elementId' | 'findingId'> & { value: Measured; subject?: string | null },
): Change => change('reading', 'add', uuid(), { jobId: view.job.id, takenAt: new Date(now()).toISOString(), subject: null, ...fields });

/** Takes a reading back: a row of its own, as every reading is. */
export const readingRemoval = (view: JobView, { id, elementId }: ReadingFields & Row): Change =>
  readingAdd(view, { kind: 'removal', at: null, elementId, findingId: null, value: { value: 0, source: 'typed' }, subject: id });
