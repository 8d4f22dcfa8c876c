import type { ReasonCode, ReasonFigures } from './ReasonFigures';

/** How much a reason weighs. */
export type ReasonVerdict = 'yes' | 'caution' | 'no';

/** One reason by its code. */
export interface ReasonOf<C extends ReasonCode> {
  readonly code: C;
  readonly verdict: ReasonVerdict;
  readonly figures: ReasonFigures[C];
}

/** Why: a stable code and the figures behind it, known by the code. words/ makes the sentence. */
export type Reason = { readonly [C in ReasonCode]: ReasonOf<C> }[ReasonCode];
