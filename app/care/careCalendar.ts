import type { RowOf } from '@tufa/contract/entities';
import { addDays } from 'date-fns/addDays';
import { parseISO } from 'date-fns/parseISO';

/** A week before it somebody is reminded, s. */
const AHEAD_S = 7 * 86400;

/** Visits that are still to come, as whole days of a calendar. */
export async function careCalendar(
  job: Pick<RowOf<'job'>, 'name' | 'address'>,
  visits: readonly RowOf<'careVisit'>[],
  textOf: (visit: RowOf<'careVisit'>) => string,
): Promise<string> {
  const { default: ical, ICalAlarmType } = await import('ical-generator');
  const calendar = ical({ name: job.name });
  for (const visit of visits.filter(({ doneOn }) => doneOn === null)) {
    const start = parseISO(visit.dueOn);
    const event = calendar.createEvent({
      id: visit.id,
      start,
      end: addDays(start, 1),
      allDay: true,
      summary: `${job.name}: ${textOf(visit)}`,
      location: job.address,
    });
    event.createAlarm({ type: ICalAlarmType.display, trigger: AHEAD_S });
  }
  return calendar.toString();
}
