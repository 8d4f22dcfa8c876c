/** Where a figure comes from; the interface outlines what is assumed and prints solid what was confirmed. */
export type Source = 'typed' | 'instrument' | 'assumed' | 'sheet' | 'class' | 'crew';

/**
 * A measured value from the form to the core: SI inside, what was typed kept beside it so that it prints back as typed.
 * `spread` is relative, a 90 % range (+-spread).
 */
export interface Measured {
  readonly value: number;
  readonly typed?: string;
  readonly source: Source;
  readonly spread?: number;
  readonly at?: string;
  readonly by?: string;
}

/** A figure with its range: the median with P10 and P90, all in the same SI unit. */
export interface Ranged {
  readonly p10: number;
  readonly p50: number;
  readonly p90: number;
}

/** A measured value that nobody measured: marked so on screen, replaced by any reading. */
export const assumed = (value: number): Measured => ({ value, source: 'assumed' });
