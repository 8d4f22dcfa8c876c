import type { LifeSpent } from '../../choose';
import { chanceOfSkin } from '../../setting';
import { isResin } from '../../shelf';
import { courseFor, livesFor, skinOf, type CourseOf } from './basisFor';
import type { WindowQuestion } from './WindowQuestion';

/**
 * What a batch spends of its lives until the crew is done with it, of the portion that spends more: the first on a hot
 * slab, the last on a cold one. No stop and no lever is asked for: enough to tell what fits the hour, by the same chance
 * that the window tells.
 */
export function lifeSpent(question: WindowQuestion, asked: CourseOf = courseFor(question)): LifeSpent {
  const { pace, retarder, first, last } = asked;
  const { flow_life_s, finish_life_s, safeShare, sdLn } = livesFor(question, asked);
  const first_s = pace.mix_s + pace.carry_s;
  const placed_s = first_s + pace.place_s;
  const finished_s = placed_s + pace.finish_s;
  const cycle_s = question.crew.hands > 1 ? Math.max(first_s, pace.place_s) : first_s + pace.place_s;
  const touches_s = cycle_s + first_s;
  const spent = (t: number, life_s: number): number => Math.max(first.spentAt(t), last.spentAt(t)) / life_s;
  return {
    spent: {
      flow: spent(placed_s, flow_life_s),
      finish: spent(finished_s, finish_life_s),
      wetEdge: question.panel && question.follows ? last.spentAt(touches_s) / flow_life_s : 0,
    },
    needs_s: { flow: placed_s, finish: finished_s, wetEdge: touches_s },
    skin: isResin(question.sheet) ? 0 : chanceOfSkin(finished_s - first_s, skinOf(question, asked)),
    sdLn,
    accepted: question.acceptedChance,
    safe: safeShare,
    retarder: Math.max(1, ...question.sheet.retarder.map(([, factor]) => factor)) / retarder,
    shaded: () => lifeSpent(shaded(question)),
  };
}

/** In shade, at an early hour: nothing warmer than the air, and no sun on the pail. */
const shaded = (question: WindowQuestion): WindowQuestion => {
  const { air_C } = question;
  const cooler = (temperature_C: number): number => Math.min(temperature_C, air_C);
  return { ...question, sun: false, slab_C: cooler(question.slab_C), powder_C: cooler(question.powder_C), water_C: cooler(question.water_C) };
};
