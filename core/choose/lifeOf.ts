import type { ElementInput } from '../survey';
import type { Sheet } from '../shelf';
import { movementOf, isResin } from '../shelf';
import type { Asks } from './Asks';
import { CHOOSE } from './constants';
import { edgeOf } from './edgeOf';
import type { HouseMethod } from './houseMethod';
import type { Reason } from './Reason';
import type { ReasonCode } from './ReasonFigures';

/** From the shortest to the longest. */
export const LIFE_CLASSES = ['short', 'middle', 'long', 'renewed'] as const;
/** How long a repair is expected to last, by class: a season or a few years, some, many, as new. */
export type LifeClass = (typeof LIFE_CLASSES)[number];

type LifeCode = Extract<ReasonCode, `life.${string}`>;

/** Cautions about what it lies on and must endure: it is only just allowed there. */
const ONLY_JUST: readonly ReasonCode[] = ['surface.damp', 'surface.powders', 'surface.sealed', 'surface.weak', 'profile.short', 'exposure.notAllowed'];

/** How long a repair should last, years, and why not longer. */
export interface LifeExpected {
  readonly code: LifeClass;
  readonly years: readonly [least: number, most: number];
  /** what takes a class off it */
  readonly reasons: readonly Reason[];
}

/** A class with its years. */
export const lifeClass = (code: LifeClass, reasons: readonly Reason[] = []): LifeExpected => ({ code, years: CHOOSE.lifeYears[code], reasons });

/**
 * The expected life of one repair: long for a deep fill with a square edge that its sheet allows; a class less for
 * everything that ordinarily ends repairs early. An expectation to choose by, never a promise.
 */
export function lifeOf({
  sheet,
  element,
  asks: { rim, layer, deepest_m },
  house,
  reasons,
}: {
  sheet: Sheet;
  element: ElementInput;
  asks: Asks;
  house: HouseMethod;
  /** of the choice: what its rules had to say */
  reasons: readonly Reason[];
}): LifeExpected {
  const less = (code: LifeCode, is: boolean): Reason[] => (is ? [{ code, verdict: 'caution', figures: {} }] : []);
  const feathered = (rim === 'cut' || rim === 'feathered') && edgeOf({ house, element, rim, deepest_m }) === 'feathered';
  const thin = layer && deepest_m < CHOOSE.thinUnder_m;
  const refused = reasons.some(({ verdict }) => verdict === 'no');
  const found = [
    ...less('life.refused', refused),
    ...less('life.causeGoesOn', element.causeGoesOn !== 'no'),
    ...less('life.earlierFailed', element.earlier === 'failed' || element.earlier === undefined),
    ...less('life.thin', feathered || thin),
    ...less('life.wearsOut', isResin(sheet) || movementOf(sheet) > 0),
    ...less(
      'life.surface',
      reasons.some(({ code, verdict }) => verdict === 'caution' && ONLY_JUST.includes(code)),
    ),
  ];
  // What its own sheet refuses is not expected to last, whatever else is well.
  const at = refused ? 0 : Math.max(0, 2 - found.length);
  return lifeClass(LIFE_CLASSES[at]!, found);
}

/** Several repairs are as good as the first of them to fail. */
export const shortestLife = (all: readonly LifeExpected[]): LifeExpected =>
  all.reduce((least, life) => (LIFE_CLASSES.indexOf(life.code) < LIFE_CLASSES.indexOf(least.code) ? life : least));
