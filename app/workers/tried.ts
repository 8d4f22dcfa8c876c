import { Problem, type ProblemCode, type ProblemFigures } from '@tufa/core/quantity';

/** What was computed, or why it could not be: a thrown problem loses its code and its figures on the way between threads. */
export interface Tried<T> {
  readonly value: T | null;
  readonly problem: { readonly code: ProblemCode; readonly figures: ProblemFigures[ProblemCode] } | null;
}

/** @throws what is no problem of the core's */
export function tried<T>(compute: () => T): Tried<T> {
  try {
    return { value: compute(), problem: null };
  } catch (error) {
    if (error instanceof Problem) return { value: null, problem: { code: error.code, figures: error.figures } };
    throw error;
  }
}
