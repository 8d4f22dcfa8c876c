import { WEATHER } from './constants';

/** What kind of weather something was done in, as people remember it. */
export const WEATHER_CLASSES = ['frost', 'cold', 'mild', 'hot'] as const;
export type WeatherClass = (typeof WEATHER_CLASSES)[number];

/**
 * The kind of weather of a piece of work: by the colder of air and ground where either is cold, by the warmer where it is hot.
 *
 * @param air_C air, degC
 * @param slab_C what it was laid on, degC
 * @example weatherClass({ air_C: 4, slab_C: 1 }) // 'frost'
 */
export function weatherClass({ air_C, slab_C }: { readonly air_C: number; readonly slab_C: number }): WeatherClass {
  const { frost, cold, hot } = WEATHER.classes_C;
  const coldest_C = Math.min(air_C, slab_C);
  if (coldest_C <= frost) return 'frost';
  if (coldest_C < cold) return 'cold';
  return Math.max(air_C, slab_C) < hot ? 'mild' : 'hot';
}
