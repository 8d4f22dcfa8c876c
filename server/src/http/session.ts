import type { RequestHandler } from 'express';
import { HttpProblem } from './HttpProblem';

declare module 'express-session' {
  interface SessionData {
    firmId: string;
    personId: string;
  }
}

/** Who asks, and for which firm. */
export interface SignedIn {
  readonly firmId: string;
  readonly personId: string;
}

/** Who is asking; 401 for nobody. */
export const requireSession: RequestHandler = (request, response, next) => {
  const { firmId, personId } = request.session;
  if (!firmId || !personId) throw new HttpProblem({ status: 401, code: 'signInFirst' });
  response.locals['signedIn'] = { firmId, personId } satisfies SignedIn;
  next();
};

/** Who asks; only behind `requireSession`. */
export const signedIn = (response: { locals: Record<string, unknown> }): SignedIn => response.locals['signedIn'] as SignedIn;
