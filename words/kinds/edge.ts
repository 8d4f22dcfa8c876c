import { say } from '../speak';
import type { SaidKind } from './SaidKind';
import { told } from './told';

/** A broken edge by how far it goes in and down. */
export const edge: SaidKind<'edge'> = {
  figure: ({ down }) => down,
  line: (speaker, { across, down }) => say(speaker, 'walk.subEdge', { across: told(speaker, 'across_m', across), down: told(speaker, 'down_m', down) }),
};
