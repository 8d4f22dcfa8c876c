import { say } from '../speak';
import type { SaidKind } from './SaidKind';
import { told } from './told';

/** A wedge by its run and rise. */
export const wedge: SaidKind<'wedge'> = {
  figure: ({ rise }) => rise,
  line: (speaker, { run, rise }) => say(speaker, 'walk.subWedge', { run: told(speaker, 'run_m', run), rise: told(speaker, 'rise_m', rise) }),
};
