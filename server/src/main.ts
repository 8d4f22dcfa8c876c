import { createServer } from 'node:http';
import { resolve } from 'node:path';
import pg from 'pg';
import { pino } from 'pino';
import { makeApp } from './app';
import { makeSource } from './data/source';
import { migrate } from './data/migrate';
import { refusePower } from './data/refusePower';
import { DEMO_FIRM_ID } from './services/firm';
import { News } from './services/News';
import { seed } from './services/seed';

const need = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set. Start with npm start, or set it to a PostgreSQL address.`);
  return value;
};

/** Migrates, seeds when empty, serves, and on SIGTERM or SIGINT ends the requests in hand before it stops. */
async function main(): Promise<void> {
  const log = pino({ level: process.env['LOG_LEVEL'] ?? 'warn' });
  const url = need('DATABASE_URL');
  const ownerUrl = need('MIGRATION_DATABASE_URL');
  // Tests freeze the clock of the whole process.
  const frozen = process.env['TUFA_NOW'];
  const clock = frozen ? () => new Date(frozen) : () => new Date();

  const owner = await makeSource({ url: ownerUrl, most: 2 }).initialize();
  await migrate(owner);
  await seed({ owner, clock, empty: process.env['TUFA_EMPTY'] === '1', demo: resolve(process.env['TUFA_DEMO'] ?? 'demo') });
  await owner.destroy();

  const source = await makeSource({ url }).initialize();
  await refusePower(source);
  const pool = new pg.Pool({ connectionString: url, max: 4 });
  const news = new News(url, log);
  await news.open();
  const app = makeApp({
    source,
    pool,
    news,
    firmId: DEMO_FIRM_ID,
    clock,
    log,
    secret: need('SESSION_SECRET'),
    web: process.env['TUFA_WEB'] ? resolve(process.env['TUFA_WEB']) : null,
  });

  const server = createServer(app);
  // A connection that is kept lives longer than whoever keeps it waits, so that none is closed just as it is used again.
  server.keepAliveTimeout = 75_000;
  server.on('error', (error: NodeJS.ErrnoException) => {
    process.stderr.write(error.code === 'EADDRINUSE' ? `Port ${process.env['PORT']} is taken. Choose another: PORT=8421 npm start\n` : `${error.message}\n`);
    process.exit(1);
  });
  server.listen(Number(process.env['PORT'] ?? 8420), '127.0.0.1', () => {
    const address = server.address();
    process.stdout.write(`Tufa is at http://127.0.0.1:${typeof address === 'object' && address ? address.port : ''}\n`);
    process.send?.('ready');
  });

  let stopping = false;
  const stop = (): void => {
    if (stopping) return;
    stopping = true;
    server.close(() => void Promise.allSettled([source.destroy(), pool.end(), news.close()]).then(() => process.exit(0)));
    server.closeIdleConnections();
    // Event streams never end by themselves.
    setTimeout(() => server.closeAllConnections(), 3000).unref();
  };
  process.on('SIGTERM', stop);
  process.on('SIGINT', stop);
}

main().catch((error: unknown) => {
  process.stderr.write(`${error instanceof Error ? error.message : String(error)}\n`);
  process.exit(1);
});
