import type { RowOf } from '@tufa/contract/entities';
import { ANY_HOUR, closedIn } from '@tufa/contract/openingHours';
import { weatherSiteOf, type WeatherSite } from '@tufa/contract/siteOf';
import { namedOnly, weekAsks, type HourLooked, type PlanInput, type WeekAsk, type WeekOfProduct } from '@tufa/core/plan';
import { useMemo } from 'react';
import { now } from '../parts/phone/clock';
import type { JobView } from '../parts/job/useJob';
import type { Tried } from '../workers/tried';
import { useWorkedOut } from '../workers/useWorkedOut';
import { dayAfter, localAt, msOfLocal } from './localDay';

/** The hours of a day that are looked at, by the clocks of the place. */
export const HOURS: readonly number[] = Array.from({ length: 16 }, (_, i) => i + 5);
const DAYS = 7;
const HOUR_MS = 3_600_000;

/** The days of the week from today, and of each the instants of its hours; null for an hour that the clocks leave out. */
export interface WeekDays {
  readonly today: string;
  readonly days: readonly { readonly day: string; readonly at_ms: readonly (number | null)[] }[];
}

/** From today by the clocks of a zone. @param hour_ms the present hour: the week begins anew with each day */
export const weekDays = (zone: string, hour_ms: number): WeekDays => {
  const today = localAt(hour_ms, zone).slice(0, 10);
  return {
    today,
    days: Array.from({ length: DAYS }, (_, i) => {
      const day = dayAfter(today, i);
      return { day, at_ms: HOURS.map((hour) => msOfLocal(day, hour, zone)) };
    }),
  };
};

/** What is worked out anew each hour. */
export const presentHour = (): number => Math.floor(now() / HOUR_MS) * HOUR_MS;

interface AskedWeek {
  readonly asks: readonly WeekAsk[];
  readonly site: WeatherSite;
}

/** Each product of a job in every hour of the coming week, worked out beside the screen. */
export function useWeek({ job, data, input, plan }: Pick<JobView, 'job' | 'data' | 'input' | 'plan'>, forecast: RowOf<'forecast'> | null) {
  const hour_ms = presentHour();
  const days = useMemo(() => weekDays(job.zone, hour_ms), [job.zone, hour_ms]);
  const asked = useMemo((): AskedWeek | null => {
    const site = forecast ? weatherSiteOf({ forecast: { [forecast.id]: forecast } }, job, hour_ms) : null;
    return plan && site ? { asks: weekAsks(input, plan), site } : null;
  }, [plan, input, forecast, job, hour_ms]);
  const hours = Object.values(data.firm)[0]?.settings.hours ?? ANY_HOUR;
  const query = useWorkedOut(
    'week',
    asked && asked.asks.length > 0 ? [asked, days, hours] : null,
    (worker): Promise<Tried<WeekOfProduct[]>> => {
      const at_ms = days.days.flatMap((day) => day.at_ms.flatMap((ms) => ms ?? []));
      const { air_C, slab_C } = input.conditions;
      return worker.week({ ...asked!, conditions: { air_C, slab_C }, at_ms, closed_ms: closedIn(hours, at_ms, job.zone), now_ms: now() });
    },
    { keepLast: true },
  );
  return { days, asked, products: query.data?.value ?? null, problem: query.data?.problem ?? null, failed: query.isError };
}

/** One hour of the week looked at closely, beside the screen; null while it is worked out. */
export function useHour(input: PlanInput, ask: WeekAsk | undefined, asked: AskedWeek | null, at: { readonly ms: number } | null): HourLooked | null {
  const [site, ms] = [asked?.site, at?.ms];
  const query = useWorkedOut('hour', ask && asked && at ? [ask, asked, at] : null, (worker) => worker.hour(namedOnly(input), ask!, site!, ms!));
  return query.data?.value ?? null;
}
