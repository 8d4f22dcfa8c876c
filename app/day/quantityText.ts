import type { StrataQuantity } from '@tufa/core/plan';
import { say, printFigure, sayShare } from '@tufa/words';

/** A value of a strata quantity as a person reads it. */
export function quantityText(quantity: StrataQuantity, value: number): string {
  if (quantity === 'share') return sayShare(value);
  if (quantity === 'retarderDose') return value === 0 ? say('day.none') : say('day.packets', { count: Math.round(value * 100) / 100 });
  return printFigure(quantity, value);
}

/** The same as short as a scale can carry. */
export const tickText = (quantity: StrataQuantity, value: number): string =>
  quantity === 'share' ? `${Math.round(value * 100)} %` : quantityText(quantity, value);

/** A chance as odds a person can picture. */
export const sayChance = (chance: number): string => say('day.oneIn', { n: String(Math.round(1 / chance)) });
