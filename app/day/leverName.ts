import type { Lever } from '@tufa/core/plan';
import { say, sayCoded, sayShare, printMeasure } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { quantityText } from './quantityText';

/** A lever as it must be set. */
export const leverName = (speaker: Speaker, { code, figures }: Pick<Lever, 'code' | 'figures'>): string => {
  const { hours = 0, dose = 0, ice_kg = 0 } = figures;
  return sayCoded(speaker, `lever.${code}`, {
    ...figures,
    doseWord: quantityText(speaker, 'retarderDose', dose),
    // In what the crew weighs with: a little ice is ounces, not hundredths of a pound.
    iceWord: printMeasure(speaker, 'mass', ice_kg),
    shareWord: sayShare(speaker, figures['share'] ?? 1),
    hoursWord: say(speaker, hours < 0 ? 'lever.earlier' : 'lever.later', { count: Math.abs(hours) }),
  });
};
