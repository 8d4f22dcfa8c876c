import type { ChosenPlan } from '@tufa/core/plan';
import { printFigure } from '@tufa/words';
import { bagsText } from './bagsText';
import type { Speaker } from '@tufa/words/speak';

/** From so much on a powder is counted in bags. */
const BAGS_FROM = 0.5;

/** What is mixed, with its range: a powder in bags, a little of it and a resin by what they weigh. */
export function needText(speaker: Speaker, { bags, powder }: ChosenPlan['quantities'], counted: boolean): { need: string; low: string; high: string } {
  if (counted && bags.p50 >= BAGS_FROM)
    return { need: bagsText(speaker, bags.p50), low: bagsText(speaker, bags.p10, true), high: bagsText(speaker, bags.p90, true) };
  const mass = (kg: number): string => printFigure(speaker, 'need_kg', kg);
  return { need: mass(powder.p50), low: mass(powder.p10), high: mass(powder.p90) };
}
