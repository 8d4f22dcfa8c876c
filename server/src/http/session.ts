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
    /** it has been written once: from then on it is where it is, or over */
    begun: boolean;
    /** what a passkey is asked to sign, until it has */
    challenge: string;
    /** of a device that is shut out and sends what it had not sent */
    last: boolean;
  }
}

/** Who asks, and for which firm. */
export interface SignedIn {
  readonly firmId: string;
  readonly personId: string;
  readonly deviceId: string;
  /** a device that is shut out: it may send what it had not sent, and nothing else */
  readonly last: boolean;
}

/** A session that is used lives on from the last day of its use: it is written once a day and not at every request. */
export const keepSession =
  (clock: () => Date): RequestHandler =>
  (request, _response, next) => {
    const today = clock().toISOString().slice(0, 10);
    if (request.session.personId && !request.session.last && request.session.usedOn !== today) request.session.usedOn = today;
    next();
  };

/** What a device may still do that is shut out. */
const isLastWord = (method: string, path: string): boolean =>
  (method === 'POST' && path === '/commands') || (method === 'PUT' && /^\/(photographs|letters)\//.test(path));

/** Who is asking; 401 for nobody. */
export const requireSession: RequestHandler = (request, response, next) => {
  const { firmId, personId, deviceId, last = false } = request.session;
  if (!firmId || !personId || !deviceId) throw new HttpProblem({ status: 401, code: 'signInFirst' });
  if (last && !isLastWord(request.method, request.path)) throw new HttpProblem({ status: 403, code: 'shutOut' });
  response.locals['signedIn'] = { firmId, personId, deviceId, last } satisfies SignedIn;
  next();
};

/** Who asks; only behind `requireSession`. */
export const signedIn = (response: { locals: Record<string, unknown> }): SignedIn => response.locals['signedIn'] as SignedIn;
