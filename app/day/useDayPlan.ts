import { clockOf } from '@tufa/contract/localTime';
import { forecastOf } from '@tufa/contract/siteOf';
import { ratesOf, type DayAsk, type DayPlan, type FixedWork } from '@tufa/core/plan';
import { useMemo } from 'react';
import type { JobView } from '../parts/job/useJob';
import { now } from '../parts/phone/clock';
import type { PlannedDay } from '../workers/planDay';
import { useWorkedOut } from '../workers/useWorkedOut';
import { dayAfter, localAt, msOfLocal } from './localDay';

const HOUR_MS = 3_600_000;
/** Nobody comes before it, s from midnight. */
const EARLIEST_S = 5 * 3600;
const STEP_MS = 300_000;
const HANDS = [1, 2, 3, 4] as const;

/** What somebody has moved, and what else is done that day. */
export interface DayChange {
  readonly pins: Readonly<Record<string, number>>;
  readonly fixed: readonly FixedWork[];
  readonly visit: number | null;
}

export const NO_CHANGE: DayChange = { pins: {}, fixed: [], visit: null };

const secondsInto = (local: string, day: string): number => {
  const days = Math.round((Date.parse(local.slice(0, 10)) - Date.parse(day)) / 86_400_000);
  const [hour = 0, minute = 0] = local.slice(11, 16).split(':').map(Number);
  return days * 86400 + hour * 3600 + minute * 60;
};

/** The day a job is worked on; tomorrow at nine where nobody has said. */
const plannedOn = ({ pourOn, zone }: JobView['job']): string => pourOn ?? `${dayAfter(localAt(now(), zone).slice(0, 10), 1)}T09:00`;

/** A job's day put in order beside the screen, and what it would be with other hands. */
export function useDayPlan({ data, job, input, plan }: Pick<JobView, 'data' | 'job' | 'input' | 'plan'>, changed: DayChange) {
  const local = plannedOn(job);
  const day = local.slice(0, 10);
  const forecast = forecastOf(data, job);
  // Nobody comes before now; by five minutes, so that a day is not put in order anew with every second.
  const minute = localAt(Math.ceil(now() / STEP_MS) * STEP_MS, job.zone);
  const from_s = minute.slice(0, 10) === day ? Math.max(EARLIEST_S, secondsInto(minute, day)) : EARLIEST_S;
  const asked = useMemo((): { ask: DayAsk; weather: PlannedDay['weather'] } => {
    const { pins, fixed, visit } = changed;
    const ask: DayAsk = {
      firstWater_s: secondsInto(local, day),
      from_s,
      opensBy_s: job.opensBy ? secondsInto(job.opensBy, day) : null,
      ...(Object.keys(pins).length > 0 ? { pins } : {}),
      ...(fixed.length > 0 ? { fixed } : {}),
      ...(visit === null ? {} : { visit }),
    };
    const midnight_ms = msOfLocal(day, 0, job.zone) ?? msOfLocal(day, 1, job.zone)! - HOUR_MS;
    if (!forecast || !job.place) return { ask, weather: null };
    const { latitude_deg, longitude_deg } = job.place;
    const { from, hours } = forecast;
    const clock_h = clockOf(midnight_ms, job.zone);
    return { ask, weather: { site: { latitude_deg, longitude_deg, ...(clock_h === null ? {} : { clock_h }), weather: { from, hours } }, midnight_ms } };
  }, [changed, local, day, from_s, job, forecast]);
  const about = plan ? [input, asked] : null;
  const made = useWorkedOut('dayPlan', about, (worker) => worker.day(input, { ...asked, now_ms: now() }), { keepLast: true });
  const odds = useWorkedOut('dayOdds', made.data ? about : null, (worker) => worker.dayOdds(input, { ...asked, now_ms: now() }), {
    keepLast: true,
    beside: true,
  });
  const hands = useWorkedOut('dayHands', made.data ? about : null, (worker) => worker.dayByHands(input, { ...asked, now_ms: now() }, HANDS), {
    keepLast: true,
    beside: true,
  });
  return {
    day,
    plan: (made.data?.value ?? null) as DayPlan | null,
    failed: made.isError || made.data?.problem != null,
    weather: asked.weather !== null,
    odds: odds.data?.value ?? null,
    byHands: hands.data?.value ?? null,
    opensBy_s: asked.ask.opensBy_s,
    labour_minor_h: ratesOf(input.firm).labour_minor_h,
  };
}
