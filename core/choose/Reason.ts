import type { Figures } from '../quantity';

/** Why: a stable code and the figures behind it. words/ makes the sentence. */
export interface Reason {
  readonly code: string;
  readonly verdict: 'yes' | 'caution' | 'no';
  readonly figures: Figures;
}
