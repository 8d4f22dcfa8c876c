import type { ErrorRequestHandler, RequestHandler, Response } from 'express';
import { Problem } from '@tufa/core/quantity';
import type { Logger } from 'pino';
import type { ProblemDetails } from '@tufa/contract/commands';
import { HttpProblem, problemDetails, problemIn } from './HttpProblem';
import { spokenBy } from './spoken';

/** Answers with a problem (RFC 9457), in the language of whoever asks. */
export const sendProblem = (response: Response, details: ProblemDetails): void => {
  response
    .status(details.status)
    .type('application/problem+json')
    .send(JSON.stringify(problemIn(spokenBy(response.req), details)));
};

/** /api has its own 404. */
export const notFound: RequestHandler = (_request, response) => sendProblem(response, problemDetails({ status: 404, code: 'notFound' }));

/** Codes of PostgreSQL and of the line to it that say that it is gone, coming or going, and nothing about what was asked. */
const AWAY = /^(08...|57P0[1-3]|53300|ECONNREFUSED|ECONNRESET|EPIPE|ETIMEDOUT)$/;

/** Whether an error is the database's absence: the same may be asked again when it is back. */
function isAway(error: unknown): boolean {
  if (!(error instanceof Error)) return false;
  const { code, driverError } = error as { code?: unknown; driverError?: { code?: unknown; message?: string } };
  if (AWAY.test(String(driverError?.code ?? code))) return true;
  return /Connection terminated|not currently accepting connections|timeout exceeded when trying to connect|not queryable|connection error/i.test(
    driverError?.message ?? error.message,
  );
}

/** Bad input never becomes a 500: what the parser, the router or the core refuse is answered as the user's to mend. */
export function errorAnswer(log: Logger): ErrorRequestHandler {
  // Express knows an error's answer by its four parameters.
  return (error: unknown, _request, response, _next) => {
    if (response.headersSent) {
      // Half an answer is better ended than taken for a whole one.
      if (!isAway(error)) log.error({ err: error }, 'after the answer had begun');
      return void response.destroy();
    }
    if (error instanceof HttpProblem) return sendProblem(response, error.details);
    if (error instanceof Problem) return sendProblem(response, problemDetails({ status: 422, code: error.code, figures: error.figures }));
    const { status, type } = error as { status?: number; type?: string };
    if (typeof status === 'number' && status >= 400 && status < 500)
      return sendProblem(response, problemDetails({ status, code: type === 'entity.too.large' ? 'tooLarge' : 'unreadableRequest' }));
    if (isAway(error)) {
      log.warn({ error: (error as Error).message }, 'the database is away');
      response.set('retry-after', '2');
      return sendProblem(response, problemDetails({ status: 503, code: 'databaseAway' }));
    }
    log.error({ err: error }, 'unexpected error');
    return sendProblem(response, problemDetails({ status: 500, code: 'ourFault' }));
  };
}
