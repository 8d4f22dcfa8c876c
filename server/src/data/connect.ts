import pg from 'pg';
import type { Logger } from 'pino';
import type { DataSource } from 'typeorm';
import { News } from '../services/News';
import { refusePower } from './refusePower';
import { makeSource } from './source';

export interface Connections {
  readonly source: DataSource;
  /** of the sessions, which know no firm yet */
  readonly pool: pg.Pool;
  readonly news: News;
  readonly close: () => Promise<void>;
}

/**
 * Whatever holds a line to the database as the application's own role. Each survives its loss: what is lost while nobody
 * uses it is logged and made anew, the news for ever.
 *
 * @throws where the database cannot be reached, or the role may do more than it should
 */
export async function connect({ url, log }: { url: string; log: Logger }): Promise<Connections> {
  const source = await makeSource({ url, log }).initialize();
  await refusePower(source);
  const pool = new pg.Pool({ connectionString: url, max: 4, connectionTimeoutMillis: 5000, keepAlive: true });
  // Unheard, the loss of one idle connection would end the server.
  pool.on('error', (error) => log.warn({ error: error.message }, 'session connection lost'));
  const news = new News(url, log, (door) => pool.query(`select pg_notify('tufa_doors', $1)`, [JSON.stringify(door)]));
  await news.open();
  return { source, pool, news, close: () => Promise.allSettled([source.destroy(), pool.end(), news.close()]).then(() => undefined) };
}
