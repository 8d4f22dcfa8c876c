import { weatherSiteOf } from '@tufa/contract/siteOf';
import type { DayChange, FirmData, RowOf } from '@tufa/contract/entities';
import { namedOnly, ratesOf, type DayAsk } from '@tufa/core/plan';
import { proxy } from 'comlink';
import { replaceEqualDeep } from '@tanstack/query-core';
import { useCallback, useMemo, useState } from 'react';
import type { JobView } from '../parts/job/useJob';
import { now } from '../parts/phone/clock';
import { SearchProgress } from '../workers/SearchProgress';
import type { PlannedDay } from '../workers/planDay';
import { useWorkedOut } from '../workers/useWorkedOut';
import { dayAfter, localAt, msOfLocal } from './localDay';

const HOUR_MS = 3_600_000;
/** Nobody comes before it, s from midnight. */
export const EARLIEST_S = 5 * 3600;
const STEP_MS = 300_000;
const HANDS = [1, 2, 3, 4] as const;

type Job = RowOf<'job'>;

/** What somebody has moved of a job's day; nothing once it is planned for another hour. */
export function changeOf({ dayPlan, pourOn }: Pick<Job, 'dayPlan' | 'pourOn'>): DayChange {
  return dayPlan && dayPlan.on === pourOn ? dayPlan : { on: pourOn, pins: {}, fixed: [], visit: null };
}

const secondsInto = (local: string, day: string): number => {
  const days = Math.round((Date.parse(local.slice(0, 10)) - Date.parse(day)) / 86_400_000);
  const [hour = 0, minute = 0] = local.slice(11, 16).split(':').map(Number);
  return days * 86400 + hour * 3600 + minute * 60;
};

/** The day a job is worked on; tomorrow at nine where nobody has said. */
const plannedOn = ({ pourOn, zone }: Pick<Job, 'pourOn' | 'zone'>): string => pourOn ?? `${dayAfter(localAt(now(), zone).slice(0, 10), 1)}T09:00`;

/** What is asked of a job's day, in the weather told for it. @param minute the present one by the clocks of the place: nobody comes before it */
function askedAnew(data: Pick<FirmData, 'forecast'>, job: Job, changed: DayChange, minute: string): Omit<PlannedDay, 'now_ms'> {
  const { pins, fixed, visit } = changed;
  const local = plannedOn(job);
  const day = local.slice(0, 10);
  const ask: DayAsk = {
    firstWater_s: secondsInto(local, day),
    from_s: minute.slice(0, 10) === day ? Math.max(EARLIEST_S, secondsInto(minute, day)) : EARLIEST_S,
    opensBy_s: job.opensBy ? secondsInto(job.opensBy, day) : null,
    ...(Object.keys(pins).length > 0 ? { pins } : {}),
    ...(fixed.length > 0 ? { fixed } : {}),
    ...(visit === null ? {} : { visit }),
  };
  const midnight_ms = msOfLocal(day, 0, job.zone) ?? msOfLocal(day, 1, job.zone)! - HOUR_MS;
  const site = weatherSiteOf(data, job, midnight_ms);
  return { ask, weather: site ? { site, midnight_ms } : null };
}

const last = new Map<string, Omit<PlannedDay, 'now_ms'>>();

/** What is asked of a job's day, the very same until something of it is another: its firm's word about what was sent changes none of it. */
export function askedOf(data: Pick<FirmData, 'forecast'>, job: Job, minute: string): Omit<PlannedDay, 'now_ms'> {
  const asked = replaceEqualDeep(last.get(job.id), askedAnew(data, job, changeOf(job), minute)) as Omit<PlannedDay, 'now_ms'>;
  last.set(job.id, asked);
  return asked;
}

/** The present five minutes by the clocks of a place, so that a day is not put in order anew with every second. */
export const presentMinute = (zone: string): string => localAt(Math.ceil(now() / STEP_MS) * STEP_MS, zone);

/** A job's day put in order beside the screen, and what it would be with other hands. */
export function useDayPlan({ data, job, input: whole, plan }: Pick<JobView, 'data' | 'job' | 'input' | 'plan'>) {
  // Nothing is chosen here: the rest of the shelf need not go to the workers each time.
  const input = useMemo(() => namedOnly(whole), [whole]);
  const minute = presentMinute(job.zone);
  const asked = useMemo(() => askedOf(data, job, minute), [data, job, minute]);
  // How far the search is, and whether somebody has no time for more of it.
  const [progress] = useState(() => new SearchProgress());
  const [stopped, setStopped] = useState<object | null>(null);
  const hurried = stopped === asked;
  const about = plan ? [input, asked] : null;
  const planned = (): PlannedDay => ({ ...asked, now_ms: now(), ...(hurried ? { hurried } : {}) });
  const made = useWorkedOut(hurried ? 'dayByRules' : 'dayPlan', about, (worker) => worker.day(input, planned(), proxy(progress.tell)), {
    keepLast: true,
    by: 'day',
  });
  const { data: found } = made;
  const clashes = found?.value?.clash?.freed != null && !made.isPlaceholderData;
  const least = useWorkedOut('dayLeast', clashes ? about : null, (worker) => worker.dayLeast(input, planned()), { by: 'beside' });
  const odds = useWorkedOut('dayOdds', found ? about : null, (worker) => worker.dayOdds(input, planned()), { keepLast: true, by: 'beside' });
  const hands = useWorkedOut('dayHands', found ? about : null, (worker) => worker.dayByHands(input, planned(), HANDS), { keepLast: true, by: 'beside' });
  const stop = useCallback(() => setStopped(asked), [asked]);
  const day = plannedOn(job).slice(0, 10);
  const ordered = found?.value ?? null;
  const failed = made.isError || found?.problem != null;
  const searching = made.isFetching ? stop : null;
  const weather = asked.weather !== null;
  const freed = clashes ? (least.data?.value ?? null) : null;
  const drawn = odds.data?.value ?? null;
  const byHands = hands.data?.value ?? null;
  const { opensBy_s } = asked.ask;
  const { labour_minor_h } = ratesOf(input.firm);
  // The very same while nothing of it has changed.
  return useMemo(
    () => ({
      day,
      plan: ordered,
      failed,
      progress,
      searching,
      hurried,
      weather,
      least: freed,
      odds: drawn,
      byHands,
      opensBy_s,
      labour_minor_h,
    }),
    [day, ordered, failed, progress, searching, hurried, weather, freed, drawn, byHands, opensBy_s, labour_minor_h],
  );
}
