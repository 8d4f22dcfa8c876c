import { forecastFile, readForecast, type ForecastFile, type ReadForecast } from '@tufa/contract/forecastFile';
import type { Place } from '@tufa/core/plan';
import { Problem } from '@tufa/core/quantity';
import { WEATHER } from '@tufa/core/weather';
import { HttpProblem } from '../http/HttpProblem';
import { askOutside } from './outside';

const HOUR_MS = 3_600_000;
/** Days behind, for what a slab has in it, and ahead. */
const AHEAD_H = 8 * 24;
/** A service that takes longer, or says more, is none. */
const PATIENCE_MS = 6000;
const MOST_BYTES = 1_000_000;

/** Places are told to others no closer than this, degrees. */
const rounded = (degrees: number): number => Math.round(degrees * 100) / 100;

const unreachable = (): HttpProblem => new HttpProblem({ status: 502, code: 'weatherUnreachable' });
const unreadable = (): HttpProblem => new HttpProblem({ status: 502, code: 'weatherUnreadable' });

/** What a place's service answered. */
export interface ServedForecast extends Pick<ReadForecast, 'from' | 'hours'>, Place {
  readonly made: string;
  readonly invented: boolean;
}

/**
 * Asks the weather service at the address that whoever runs the server has set. Redirects are not followed, and the place
 * is told to a hundredth of a degree.
 *
 * @throws HttpProblem `weatherUnreachable`, `weatherUnreadable`
 */
export async function askWeather({ address, place, now_ms }: { address: string; place: Place; now_ms: number }): Promise<ServedForecast> {
  const behind_h = WEATHER.spinUp_days * 24;
  const url = new URL('hours', address.endsWith('/') ? address : `${address}/`);
  url.searchParams.set('latitude', String(rounded(place.latitude_deg)));
  url.searchParams.set('longitude', String(rounded(place.longitude_deg)));
  url.searchParams.set('from', new Date(Math.floor(now_ms / HOUR_MS - behind_h) * HOUR_MS).toISOString());
  url.searchParams.set('hours', String(behind_h + AHEAD_H));
  const answer = await askOutside<ForecastFile>({ url, schema: forecastFile, patience_ms: PATIENCE_MS, most_bytes: MOST_BYTES });
  if (!('said' in answer)) throw answer.failed === 'unreadable' ? unreadable() : unreachable();
  const value = answer.said;
  try {
    const { from, hours } = readForecast(value.hours as unknown as Readonly<Record<string, unknown>>[], 'UTC');
    return { latitude_deg: rounded(place.latitude_deg), longitude_deg: rounded(place.longitude_deg), made: value.made, invented: value.invented, from, hours };
  } catch (error) {
    if (error instanceof Problem) throw unreadable();
    throw error;
  }
}
