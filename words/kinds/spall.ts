import { say } from '../speak';
import type { SaidKind } from './SaidKind';
import { told } from './told';

/** A spall by its deepest place, its shape and its rim. */
export const spall: SaidKind<'spall'> = {
  figure: ({ deepest }) => deepest,
  line: (speaker, { shape, deepest, edge }) =>
    say(speaker, 'walk.sub', {
      shape: say(speaker, `word.shape.${shape}`),
      deepest: told(speaker, 'deepest_m', deepest),
      edge: say(speaker, `word.edge.${edge}`).toLowerCase(),
    }),
};
