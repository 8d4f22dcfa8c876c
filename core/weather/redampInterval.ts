import { WEATHER } from './constants';

/**
 * How often a pre-soaked slab wants misting again ahead of the work: the film it holds over its drying rate, capped.
 *
 * @returns s
 */
export function redampInterval(input: { film_kg_m2?: number; evaporation_kg_m2h: number; cap_s?: number }): number {
  const { film_kg_m2 = WEATHER.film_kg_m2, evaporation_kg_m2h, cap_s = WEATHER.redampMost_s } = input;
  return evaporation_kg_m2h <= 0 ? cap_s : Math.min(cap_s, (3600 * film_kg_m2) / evaporation_kg_m2h);
}
