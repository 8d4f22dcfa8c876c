import type { RowOf } from '@tufa/contract/entities';
import { forecastOf } from '@tufa/contract/siteOf';
import type { Place } from '@tufa/core/plan';
import { useQuery } from '@tanstack/react-query';
import { useEffect } from 'react';
import { v7 as uuid } from 'uuid';
import { api, type ServedForecast } from '../outbox/api';
import { change, write } from '../outbox/useFirm';
import { useOnline } from '../parts/chrome/SyncLine';
import { now } from '../parts/phone/clock';
import type { JobView } from '../parts/job/useJob';

/** A forecast is asked for again after so long, ms. */
const STALE_MS = 3 * 3_600_000;

/** What was said for which jobs is on its way to the firm: a screen that is shown twice writes it once, and jobs at one place each have it. */
const kept = new WeakMap<ServedForecast, Set<string>>();

/** Keeps with the job what its weather service said. */
function keep(jobId: string, served: ServedForecast, told_ms: number): void {
  const jobs = kept.get(served) ?? new Set();
  if (jobs.has(jobId)) return;
  kept.set(served, jobs.add(jobId));
  const { latitude_deg, longitude_deg, from, hours, invented } = served;
  void write(
    change('forecast', 'add', uuid(), {
      jobId,
      latitude_deg,
      longitude_deg,
      from,
      hours,
      invented,
      takenAt: new Date(told_ms).toISOString(),
      source: 'service',
    }),
  );
}

/** The forecast of a job's place, kept with it; fetched where there is a service and the last word is old. What somebody pasted or typed stands until they fetch again. */
export function useForecast({ data, job }: Pick<JobView, 'data' | 'job'>): {
  forecast: RowOf<'forecast'> | null;
  fetching: boolean;
  /** why none came */
  failed: boolean;
  renew: () => void;
} {
  const online = useOnline();
  const forecast = forecastOf(data, job);
  const place: Place | null = job.place ?? null;
  const old = !forecast || (forecast.source === 'service' && now() - Date.parse(forecast.takenAt) > STALE_MS);
  const query = useQuery({
    queryKey: ['weather', place?.latitude_deg, place?.longitude_deg],
    queryFn: () => api.weather(place!),
    enabled: online && place !== null && old,
    staleTime: STALE_MS,
    retry: false,
  });
  const { data: served, dataUpdatedAt, refetch } = query;
  const jobId = job.id;
  useEffect(() => {
    if (served && old) keep(jobId, served, dataUpdatedAt);
  }, [served, old, jobId, dataUpdatedAt]);
  const renew = (): void =>
    void refetch().then(({ data: again, dataUpdatedAt: told_ms }) => {
      if (again) keep(jobId, again, told_ms);
    });
  return { forecast, fetching: query.isFetching, failed: query.isError, renew };
}
