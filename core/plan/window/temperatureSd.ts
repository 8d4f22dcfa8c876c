import type { BatchWindowInput } from '../../setting';
import { heatShares, type CourseOf } from './basisFor';
import type { WindowQuestion } from './WindowQuestion';

/**
 * The sd of ln budget spent that what is not known of the temperatures brings: each one's slope at the stop, at fixed
 * time, times its sd; added in squares, since they err by themselves, save that a modelled slab is as wrong as its air.
 *
 * @returns 0 where nothing is told to be unsure
 */
export function temperatureSd(
  question: WindowQuestion,
  { portion, pace, first, last }: CourseOf,
  { flow_life_s, finish_life_s, safeShare }: Pick<BatchWindowInput, 'flow_life_s' | 'finish_life_s' | 'safeShare'>,
): number {
  const { spread_K = {}, slabFollowsAir = false } = question;
  const { slab_C = 0, air_C = 0, powder_C = 0, water_C = 0 } = spread_K;
  if (slab_C + air_C + powder_C + water_C === 0) return 0;
  const placed_s = pace.mix_s + pace.carry_s + pace.place_s;
  const finished_s = placed_s + pace.finish_s;
  // The portion and the life that are spent furthest by the time they are needed: the stop is theirs.
  const ends = [
    { course: first, life_s: flow_life_s, spent: first.spentAt(placed_s) / flow_life_s },
    { course: last, life_s: flow_life_s, spent: last.spentAt(placed_s) / flow_life_s },
    { course: first, life_s: finish_life_s, spent: first.spentAt(finished_s) / finish_life_s },
    { course: last, life_s: finish_life_s, spent: last.spentAt(finished_s) / finish_life_s },
  ];
  const { course, life_s } = ends.reduce((most, next) => (next.spent > most.spent ? next : most));
  const { mix, surroundings, surface } = course.sensitivityAt(course.timeToSpend(safeShare * life_s));
  const of = heatShares(question, portion);
  return Math.hypot(
    mix * of.powder * powder_C,
    mix * of.water * water_C,
    slabFollowsAir ? (surface + surroundings) * air_C : Math.hypot(surface * slab_C, surroundings * air_C),
  );
}
