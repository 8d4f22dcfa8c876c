import { instantOfLocal, localOf } from '@tufa/contract/localTime';
import { say } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { addDays } from 'date-fns/addDays';
import { formatISO } from 'date-fns/formatISO';
import { parseISO } from 'date-fns/parseISO';
import { sayDate } from '@tufa/words/dates';

/** What an instant is called where the work is: `2026-05-12T09:10`. */
export const localAt = (ms: number, zone: string): string => localOf(ms, zone) ?? new Date(ms).toISOString().slice(0, 16);

/** So many calendar days after one, `2026-05-12`. */
export const dayAfter = (day: string, days: number): string => formatISO(addDays(parseISO(day), days), { representation: 'date' });

/** A local time of a zone, ms since 1970; null for an hour that the clocks leave out. */
export function msOfLocal(day: string, hour: number, zone: string): number | null {
  const local = `${day}T${String(hour).padStart(2, '0')}:00`;
  const instant = instantOfLocal(local, zone);
  return instant !== null && localOf(instant, zone) === local ? Date.parse(instant) : null;
}

/** A day as it is said: today, tomorrow, a weekday within the week, else with its date. */
export function dayText(speaker: Speaker, day: string, today: string): string {
  if (day === today) return say(speaker, 'week.today');
  if (day === dayAfter(today, 1)) return say(speaker, 'week.tomorrow');
  const name = sayDate(speaker, day, 'weekday');
  return day > today && day < dayAfter(today, 7) ? name : `${name}, ${sayDate(speaker, day, 'date')}`;
}

/** An hour as it is said, `6` or `6:30`. */
export const hourText = (local: string): string => {
  const [hour, minute] = local.slice(11, 16).split(':') as [string, string];
  return minute === '00' ? `${Number(hour)}` : `${Number(hour)}:${minute}`;
};

/** The first of several words stands at the head of a line. */
export const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);
