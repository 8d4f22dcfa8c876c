import { Problem } from '../quantity';

/** For tests: the typed error that work ends in; anything else fails the test. */
export function problemOf(work: () => unknown): Problem {
  try {
    work();
  } catch (error) {
    if (error instanceof Problem) return error;
    throw error;
  }
  throw new Error('nothing was refused');
}
