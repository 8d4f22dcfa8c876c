import type { ReadingFields } from '@tufa/contract/entities';
import { v7 as uuid } from 'uuid';
import { change, type Change } from '../../outbox/useFirm';
import { now } from '../phone/clock';

/** A reading taken now, of a job or of an element of it. */
export const readingAdd = (reading: Pick<ReadingFields, 'jobId' | 'kind' | 'value'> & Partial<Pick<ReadingFields, 'elementId' | 'subject'>>): Change =>
  change('reading', 'add', uuid(), { elementId: null, findingId: null, at: null, subject: null, ...reading, takenAt: new Date(now()).toISOString() });
