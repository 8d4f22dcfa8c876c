import { sayCoded } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { ApiProblem } from './api';

/** Why the firm did not do what it was asked, in words; what is said where it did not answer at all. */
export function whyText(speaker: Speaker, error: unknown, unanswered: string): string {
  if (!(error instanceof ApiProblem)) return unanswered;
  const { code, figures = {}, field = '' } = error.details;
  return sayCoded(speaker, `problem.${code}`, { field, ...figures });
}
