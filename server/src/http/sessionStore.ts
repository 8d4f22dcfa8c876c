import pgSession from 'connect-pg-simple';
import session, { type SessionData, type Store } from 'express-session';
import type { Pool } from 'pg';
import type { Logger } from 'pino';

const PgStore = pgSession(session);

/**
 * Sessions in PostgreSQL. One that was ended while a request or a stream of it was in hand stays ended: what has begun
 * is changed where it still is, and never written anew.
 */
class DoorStore extends PgStore {
  constructor(
    private readonly sessions: Pool,
    log: Logger,
  ) {
    super({
      pool: sessions,
      tableName: 'session',
      // Each touch is a write that the disk must confirm; what is used is kept by `keepSession` once a day.
      disableTouch: true,
      errorLog: (...parts: unknown[]) => log.warn({ parts: parts.map(String) }, 'session store'),
    });
  }

  override set(sid: string, data: SessionData, done: (error?: unknown) => void = () => undefined): void {
    if (!data.begun) return super.set(sid, data, done);
    const expires = data.cookie.expires ?? new Date(Date.now() + (data.cookie.maxAge ?? 0));
    this.sessions.query('update session set sess = $1, expire = $2 where sid = $3', [JSON.stringify(data), expires, sid]).then(
      () => done(),
      (error: unknown) => done(error),
    );
  }
}

export const sessionStore = (pool: Pool, log: Logger): Store => new DoorStore(pool, log);
