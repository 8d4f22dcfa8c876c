import type { StrataQuantity } from '@tufa/core/plan';
import { say, printFigure, sayShare } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';

/** A value of a strata quantity as a person reads it. */
export function quantityText(speaker: Speaker, quantity: StrataQuantity, value: number): string {
  if (quantity === 'share') return sayShare(speaker, value);
  if (quantity === 'retarderDose') return value === 0 ? say(speaker, 'day.none') : say(speaker, 'day.packets', { count: Math.round(value * 100) / 100 });
  return printFigure(speaker, quantity, value);
}

/** The same as short as a scale can carry. */
export const tickText = (speaker: Speaker, quantity: StrataQuantity, value: number): string =>
  quantity === 'share' ? `${Math.round(value * 100)} %` : quantityText(speaker, quantity, value);

/** A chance as odds a person can picture. */
export function sayChance(speaker: Speaker, chance: number): string {
  if (chance > 0.55) return say(speaker, 'day.inTen', { n: String(Math.min(10, Math.round(chance * 10))) });
  return chance < 0.005 ? say(speaker, 'day.hardlyEver') : say(speaker, 'day.oneIn', { n: String(Math.round(1 / chance)) });
}
