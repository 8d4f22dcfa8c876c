import type { RowOf } from '@tufa/contract/entities';
import { now } from '../parts/phone/clock';

const DAY_MS = 86_400_000;

/** Whether a job pours on the day after this one, by the calendar of its own place. Swedish writes dates that way round. */
export const poursTomorrow = ({ pourOn, zone }: Pick<RowOf<'job'>, 'pourOn' | 'zone'>): boolean =>
  pourOn?.startsWith(new Intl.DateTimeFormat('sv-SE', { timeZone: zone }).format(now() + DAY_MS)) ?? false;
