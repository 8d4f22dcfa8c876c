import type { RowOf } from '@tufa/contract/entities';
import { now } from '../parts/phone/clock';

const DAY_MS = 86_400_000;

/** One for each zone: making one takes half a millisecond on a slow phone, and a firm has a thousand jobs in a few zones. */
const calendars = new Map<string, Intl.DateTimeFormat>();

/** Swedish writes dates that way round. */
function calendarOf(zone: string): Intl.DateTimeFormat {
  const calendar = calendars.get(zone) ?? new Intl.DateTimeFormat('sv-SE', { timeZone: zone });
  calendars.set(zone, calendar);
  return calendar;
}

/** Whether a job pours on the day after this one, by the calendar of its own place. */
export const poursTomorrow = ({ pourOn, zone }: Pick<RowOf<'job'>, 'pourOn' | 'zone'>): boolean =>
  pourOn?.startsWith(calendarOf(zone).format(now() + DAY_MS)) ?? false;

/** How many days from today a job pours, by the calendar of its own place; 0 for one without a day. */
export function daysAhead({ pourOn, zone }: Pick<RowOf<'job'>, 'pourOn' | 'zone'>): number {
  if (!pourOn) return 0;
  return Math.round((Date.parse(pourOn.slice(0, 10)) - Date.parse(calendarOf(zone).format(now()))) / DAY_MS);
}
