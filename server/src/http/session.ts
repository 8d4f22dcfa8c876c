import type { RequestHandler } from 'express';
import { HttpProblem } from './HttpProblem';

declare module 'express-session' {
  interface SessionData {
    firmId: string;
    personId: string;
    /** bound at sign-in by the device's cookie */
    deviceId: string;
    /** the day it was last used, ISO */
    usedOn: string;
  }
}

/** Who asks, and for which firm. */
export interface SignedIn {
  readonly firmId: string;
  readonly personId: string;
  readonly deviceId: string;
}

/** A session that is used lives on from the last day of its use: it is written once a day and not at every request. */
export const keepSession =
  (clock: () => Date): RequestHandler =>
  (request, _response, next) => {
    const today = clock().toISOString().slice(0, 10);
    if (request.session.personId && request.session.usedOn !== today) request.session.usedOn = today;
    next();
  };

/** Who is asking; 401 for nobody. */
export const requireSession: RequestHandler = (request, response, next) => {
  const { firmId, personId, deviceId } = request.session;
  if (!firmId || !personId || !deviceId) throw new HttpProblem({ status: 401, code: 'signInFirst' });
  response.locals['signedIn'] = { firmId, personId, deviceId } satisfies SignedIn;
  next();
};

/** Who asks; only behind `requireSession`. */
export const signedIn = (response: { locals: Record<string, unknown> }): SignedIn => response.locals['signedIn'] as SignedIn;
