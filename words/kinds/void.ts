import { say } from '../speak';
import type { SaidKind } from './SaidKind';
import { told } from './told';

/** A void by its shape and its deepest place. */
export const voidUnderWater: SaidKind<'void'> = {
  figure: ({ deepest }) => deepest,
  line: (speaker, { shape, deepest }) =>
    say(speaker, 'walk.subVoid', { shape: say(speaker, `word.shape.${shape}`), deepest: told(speaker, 'deepest_m', deepest) }),
};
