import type { Place, SiteInput } from '@tufa/core/plan';
import type { FirmData, JobFields, RowOf } from './entities';
import { clockOf, instantOfLocal } from './localTime';

const HOUR_MS = 3_600_000;
/** A forecast of a place so far away is no forecast of the job's any more, degrees. */
const MOVED_DEG = 0.05;

const near = (a: Place, b: Place): boolean =>
  Math.abs(a.latitude_deg - b.latitude_deg) <= MOVED_DEG && Math.abs(a.longitude_deg - b.longitude_deg) <= MOVED_DEG;

/** The newest forecast of a job's place, whoever told it; null where nobody has, or the place was moved since. */
export function forecastOf(data: Pick<FirmData, 'forecast'>, { id, place }: Pick<RowOf<'job'>, 'id' | 'place'>): RowOf<'forecast'> | null {
  if (!place) return null;
  const told = Object.values(data.forecast).filter((row) => row.jobId === id && !row.removed && near(row, place));
  return told.reduce<RowOf<'forecast'> | null>(
    (newest, row) => (newest && (newest.takenAt > row.takenAt || (newest.takenAt === row.takenAt && newest.id > row.id)) ? newest : row),
    null,
  );
}

const weathers = new WeakMap<object, SiteInput['weather']>();

/** A forecast's weather, the very same each time: what is worked out of it stays with it. */
function weatherOf(row: RowOf<'forecast'>): SiteInput['weather'] {
  const weather = weathers.get(row) ?? { from: row.from, hours: row.hours };
  weathers.set(row, weather);
  return weather;
}

/** A job's place in its weather, without an hour. */
export type WeatherSite = Omit<SiteInput, 'firstWater'>;

/** Where a job lies and the weather told for it, by the clocks of an instant; null where one of these is not known. @param at_ms since 1970 */
export function weatherSiteOf(data: Pick<FirmData, 'forecast'>, job: Pick<RowOf<'job'>, 'id' | 'place' | 'zone'>, at_ms: number): WeatherSite | null {
  const forecast = forecastOf(data, job);
  if (!forecast || !job.place) return null;
  const { latitude_deg, longitude_deg } = job.place;
  const clock_h = clockOf(at_ms, job.zone);
  return { latitude_deg, longitude_deg, ...(clock_h === null ? {} : { clock_h }), weather: weatherOf(forecast) };
}

/** When the first water of a job is planned, an ISO instant; null where no hour is. */
export const firstWaterOf = ({ pourOn, zone }: Pick<JobFields, 'pourOn' | 'zone'>): string | null => (pourOn ? instantOfLocal(pourOn, zone) : null);

/** Where and when a job's work is, with the weather told for it; nothing where one of these is not known, or the forecast does not reach to the hour. */
export function siteOf(data: Pick<FirmData, 'forecast'>, job: RowOf<'job'>): { readonly site?: SiteInput } {
  const firstWater = firstWaterOf(job);
  const site = firstWater === null ? null : weatherSiteOf(data, job, Date.parse(firstWater));
  if (!site || firstWater === null) return {};
  const { from, hours } = site.weather;
  const at_h = (Date.parse(firstWater) - Date.parse(from)) / HOUR_MS;
  return at_h >= 0 && at_h < hours.length ? { site: { ...site, firstWater } } : {};
}
