import type { ErrorRequestHandler, RequestHandler, Response } from 'express';
import { Problem } from '@tufa/core/quantity';
import type { Logger } from 'pino';
import type { ProblemDetails } from '@tufa/contract/commands';
import { HttpProblem, problemDetails } from './HttpProblem';

/** Answers with a problem (RFC 9457). */
export const sendProblem = (response: Response, details: ProblemDetails): void => {
  response.status(details.status).type('application/problem+json').send(JSON.stringify(details));
};

/** /api has its own 404. */
export const notFound: RequestHandler = (_request, response) => sendProblem(response, problemDetails({ status: 404, code: 'notFound' }));

/** Bad input never becomes a 500: what the parser, the router or the core refuse is answered as the user's to mend. */
export function errorAnswer(log: Logger): ErrorRequestHandler {
  return (error: unknown, _request, response, next) => {
    if (response.headersSent) return next(error);
    if (error instanceof HttpProblem) return sendProblem(response, error.details);
    if (error instanceof Problem) return sendProblem(response, problemDetails({ status: 422, code: error.code, figures: error.figures }));
    const { status, type } = error as { status?: number; type?: string };
    if (typeof status === 'number' && status >= 400 && status < 500)
      return sendProblem(response, problemDetails({ status, code: type === 'entity.too.large' ? 'tooLarge' : 'unreadableRequest' }));
    log.error({ err: error }, 'unexpected error');
    return sendProblem(response, problemDetails({ status: 500, code: 'ourFault' }));
  };
}
