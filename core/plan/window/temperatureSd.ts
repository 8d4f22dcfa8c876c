import { Course, shifted, type BatchWindowInput, type CourseInput } from '../../setting';
import { heatShares, type Portion } from './basisFor';
import type { WindowQuestion } from './WindowQuestion';

/** A kelvin either way. */
const STEP_K = 1;

/**
 * The sd of ln budget spent that what is not known of the temperatures brings: each one's slope at the stop, at fixed
 * time, times its sd; added in squares, since they err by themselves, save that a modelled slab is as wrong as its air.
 *
 * @returns 0 where nothing is told to be unsure
 */
export function temperatureSd(
  question: WindowQuestion,
  {
    portion,
    course,
    pace,
    flow_life_s,
    finish_life_s,
    filmShare,
    safeShare,
  }: Pick<BatchWindowInput, 'course' | 'pace' | 'flow_life_s' | 'finish_life_s' | 'filmShare' | 'safeShare'> & { readonly portion: Portion },
): number {
  const { spread_K = {}, slabFollowsAir = false } = question;
  const { slab_C = 0, air_C = 0, powder_C = 0, water_C = 0 } = spread_K;
  if (slab_C + air_C + powder_C + water_C === 0) return 0;
  const first_s = pace.mix_s + pace.carry_s;
  const placed_s = first_s + pace.place_s;
  // The portion and the life that are spent furthest by the time they are needed: the stop is theirs.
  const candidates = [
    { life_s: flow_life_s, placed_after_s: first_s, need_s: placed_s },
    { life_s: flow_life_s, placed_after_s: placed_s, need_s: placed_s },
    { life_s: finish_life_s, placed_after_s: first_s, need_s: placed_s + pace.finish_s },
    { life_s: finish_life_s, placed_after_s: placed_s, need_s: placed_s + pace.finish_s },
  ];
  const at = (given: Omit<CourseInput, 'pail_life_s' | 'film_life_s' | 'placed_after_s'>, { life_s, placed_after_s }: (typeof candidates)[number]): Course =>
    new Course({ ...given, pail_life_s: life_s, film_life_s: life_s * filmShare, placed_after_s });
  const ending = candidates
    .map((candidate) => ({ candidate, spent: at(course, candidate).spentAt(candidate.need_s) }))
    .reduce((most, next) => (next.spent > most.spent ? next : most)).candidate;
  const stop_s = at(course, ending).timeToSpend(safeShare);
  const slope = (change: (by_K: number) => Partial<typeof course>): number => {
    const spent = (by_K: number): number => Math.log(at({ ...course, ...change(by_K) }, ending).spentAt(stop_s));
    return (spent(STEP_K) - spent(-STEP_K)) / (2 * STEP_K);
  };
  const moved = (given: CourseInput['surface_C'], by_K: number): CourseInput['surface_C'] => (typeof given === 'number' ? given + by_K : shifted(given, by_K));
  const ofMix = powder_C + water_C > 0 ? slope((by) => ({ mix_C: course.mix_C + by })) : 0;
  const ofSlab = slab_C > 0 || slabFollowsAir ? slope((by) => ({ surface_C: moved(course.surface_C, by) })) : 0;
  const ofAir = air_C > 0 ? slope((by) => ({ surroundings_C: moved(course.surroundings_C, by) })) : 0;
  const { powder, water } = heatShares(question, portion);
  return Math.hypot(ofMix * powder * powder_C, ofMix * water * water_C, slabFollowsAir ? (ofSlab + ofAir) * air_C : Math.hypot(ofSlab * slab_C, ofAir * air_C));
}
