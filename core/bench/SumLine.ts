/** One line of a sum's working: what, and its figures, SI by the unit that ends each name. */
export interface SumLine {
  readonly code: string;
  readonly figures: Readonly<Record<string, number>>;
  /** what it must not be: said in the tone of a caution */
  readonly warns?: true;
}

/** A sum worked out: the figure asked for first, then how it came about. */
export interface Worked {
  readonly answer: SumLine;
  readonly lines: readonly SumLine[];
}

/** A line by its code. */
export const sumLine = (code: string, figures: SumLine['figures'] = {}): SumLine => ({ code, figures });
