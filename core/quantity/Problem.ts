import type { ProblemCode, ProblemFigures } from './ProblemFigures';

/** The figures behind a reason, an error or a caution: plain values that words/ turns into a sentence. */
export type Figures = Readonly<Record<string, number | string>>;

/**
 * The one error the core throws on purpose. `code` is stable and `figures` (SI) say which value met which range,
 * so that words/ can tell the user what to change.
 *
 * @example throw new Problem('outOfRange', { quantity: 'water_C', value: 90, least: 0, most: 60 })
 */
export class Problem<C extends ProblemCode = ProblemCode> extends Error {
  readonly figures: ProblemFigures[C];

  constructor(
    readonly code: C,
    ...[figures]: Readonly<Record<never, never>> extends ProblemFigures[C] ? [figures?: ProblemFigures[C]] : [figures: ProblemFigures[C]]
  ) {
    super(`${code} ${JSON.stringify(figures ?? {})}`);
    this.name = 'Problem';
    this.figures = figures ?? ({} as ProblemFigures[C]);
  }
}
