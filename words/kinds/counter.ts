import { say } from '../speak';
import type { SaidKind } from './SaidKind';
import { told } from './told';

/** A countertop by its thickness, and its front where that hangs lower. */
export const counter: SaidKind<'counter'> = {
  figure: ({ thickness }) => thickness,
  line(speaker, { thickness, dropped }) {
    const told_m = told(speaker, 'thickness_m', thickness);
    return dropped
      ? say(speaker, 'walk.subDropped', { thickness: told_m, down: told(speaker, 'down_m', dropped.down) })
      : say(speaker, 'walk.subCounter', { thickness: told_m });
  },
};
