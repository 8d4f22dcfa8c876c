import type { LifeSpent } from '../../choose';
import { Course } from '../../setting';
import { livesFor, type courseFor } from './basisFor';
import type { WindowQuestion } from './WindowQuestion';

/**
 * What a batch spends of its two lives until the crew is done with it, of the portion that spends more: the first on a
 * hot slab, the last on a cold one. No skin and no lever is asked for: enough to tell what fits the hour.
 */
export function lifeSpent(question: WindowQuestion, { course, pace, retarder }: ReturnType<typeof courseFor>): LifeSpent {
  const { flow_life_s, finish_life_s, filmShare, safeShare } = livesFor(question, course);
  const first_s = pace.mix_s + pace.carry_s;
  const placed_s = first_s + pace.place_s;
  const finished_s = placed_s + pace.finish_s;
  const portions = [first_s, placed_s].map((placed_after_s) => new Course({ ...course, pail_life_s: 1, film_life_s: filmShare, placed_after_s }));
  const spent = (t: number, life_s: number): number => Math.max(...portions.map((portion) => portion.spentAt(t))) / life_s;
  return {
    placed: spent(placed_s, flow_life_s),
    placed_s,
    finished: spent(finished_s, finish_life_s),
    finished_s,
    safe: safeShare,
    retarder: Math.max(1, ...question.sheet.retarder.map(([, factor]) => factor)) / retarder,
  };
}
