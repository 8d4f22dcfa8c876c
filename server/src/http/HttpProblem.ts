import type { ProblemDetails } from '@tufa/contract/commands';
import type { Spoken } from '@tufa/contract/languages';
import { PLAIN, sayCoded } from '@tufa/words';

/** What an answer that is an error is made from. */
export interface ProblemInput {
  readonly status: number;
  readonly code: string;
  readonly field?: string;
  readonly figures?: Readonly<Record<string, unknown>>;
}

/** The body of an answer that is an error (RFC 9457), its sentence from words/. */
export function problemDetails({ status, code, field, figures }: ProblemInput): ProblemDetails {
  return {
    type: `urn:tufa:problem:${code}`,
    title: sayCoded(PLAIN, `problem.${code}`, { ...figures, field }),
    status,
    code,
    ...(field ? { field } : {}),
    ...(figures ? { figures } : {}),
  };
}

/** The same answer in another language. */
export const problemIn = (language: Spoken, details: ProblemDetails): ProblemDetails => ({
  ...details,
  title: sayCoded({ ...PLAIN, language }, `problem.${details.code}`, { ...details.figures, field: details.field }),
});

/** Thrown by a service or a route when the request cannot be done as asked. */
export class HttpProblem extends Error {
  readonly details: ProblemDetails;

  constructor(input: ProblemInput) {
    super(`${input.status} ${input.code}`);
    this.details = problemDetails(input);
  }
}
