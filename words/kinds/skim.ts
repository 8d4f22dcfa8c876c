import { say } from '../speak';
import type { SaidKind } from './SaidKind';
import { told } from './told';

/** A skim by its thickness and what it fills. */
export const skim: SaidKind<'skim'> = {
  figure: ({ thickness }) => thickness,
  line: (speaker, { thickness, profile }) => say(speaker, 'walk.subSkim', { thickness: told(speaker, 'thickness_m', thickness), csp: profile }),
};
