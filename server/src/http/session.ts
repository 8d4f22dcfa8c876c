import type { RequestHandler } from 'express';
import { HttpProblem } from './HttpProblem';

declare module 'express-session' {
  interface SessionData {
    firmId: string;
    personId: string;
    /** bound at sign-in by the device's cookie */
    deviceId: string;
  }
}

/** Who asks, and for which firm. */
export interface SignedIn {
  readonly firmId: string;
  readonly personId: string;
  readonly deviceId: string;
}

/** Who is asking; 401 for nobody. */
export const requireSession: RequestHandler = (request, response, next) => {
  const { firmId, personId, deviceId } = request.session;
  if (!firmId || !personId || !deviceId) throw new HttpProblem({ status: 401, code: 'signInFirst' });
  response.locals['signedIn'] = { firmId, personId, deviceId } satisfies SignedIn;
  next();
};

/** Who asks; only behind `requireSession`. */
export const signedIn = (response: { locals: Record<string, unknown> }): SignedIn => response.locals['signedIn'] as SignedIn;
