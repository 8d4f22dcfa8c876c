import type { Pool } from 'pg';
import { RateLimiterPostgres, type RateLimiterRes } from 'rate-limiter-flexible';
import { HttpProblem } from '../http/HttpProblem';
import { hashOf } from './secret';

/** How often somebody may try a door, counted in the database so that every server counts the same. */
export interface Tries {
  /** counts a try at a name, whoever has it or nobody, and one from an address. @throws HttpProblem 429 `lockedOut` with the minutes left */
  readonly count: (name: string, address: string) => Promise<void>;
  /** it opened: what was tried at the name before is forgotten */
  readonly forget: (name: string) => Promise<void>;
}

const TABLE = { tableName: 'door_try', tableCreated: true, clearExpiredByTimeout: false } as const;

/** Ten tries at a name in a quarter of an hour, a hundred from one address in an hour; past them a quarter of an hour of nothing. */
export function makeTries(pool: Pool): Tries {
  const byName = new RateLimiterPostgres({ ...TABLE, storeClient: pool, keyPrefix: 'name', points: 10, duration: 900, blockDuration: 900 });
  const byAddress = new RateLimiterPostgres({ ...TABLE, storeClient: pool, keyPrefix: 'from', points: 100, duration: 3600, blockDuration: 900 });
  const counted = async (limiter: RateLimiterPostgres, key: string): Promise<void> => {
    try {
      await limiter.consume(hashOf(key));
    } catch (refused) {
      if (refused instanceof Error) throw refused;
      const minutes = Math.max(1, Math.ceil((refused as RateLimiterRes).msBeforeNext / 60_000));
      throw new HttpProblem({ status: 429, code: 'lockedOut', figures: { minutes } });
    }
  };
  return {
    count: async (name, address) => {
      await counted(byAddress, address);
      await counted(byName, name);
    },
    forget: async (name) => void (await byName.delete(hashOf(name))),
  };
}
