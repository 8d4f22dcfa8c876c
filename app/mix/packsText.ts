import type { ChosenPlan } from '@tufa/core/plan';
import { printFigure, say } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';

/** Packages as counts of a mass: `2 x 50 lb, 1 x 25 lb`. */
export const packsText = (speaker: Speaker, packages: ChosenPlan['quantities']['chosen']['packages']): string =>
  packages.map(({ count, mass_kg }) => say(speaker, 'mix.packs', { count: String(count), mass: printFigure(speaker, 'm_kg', mass_kg) })).join(', ');
