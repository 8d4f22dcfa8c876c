import { say } from '../speak';
import type { SaidKind } from './SaidKind';
import { told } from './told';

/** Steps by how many, their going and rise. */
export const step: SaidKind<'step'> = {
  figure: ({ rise }) => rise,
  line: (speaker, { going, rise, steps }) =>
    say(speaker, 'walk.subStep', { count: steps, going: told(speaker, 'going_m', going), rise: told(speaker, 'rise_m', rise) }),
};
