import type { DataSource } from 'typeorm';

const LOCK = 716_1982;

/** Runs what migrations are missing, one process at a time. */
export async function migrate(owner: DataSource): Promise<void> {
  const runner = owner.createQueryRunner();
  await runner.connect();
  try {
    await runner.query('select pg_advisory_lock($1)', [LOCK]);
    await owner.runMigrations({ transaction: 'each' });
  } finally {
    await runner.query('select pg_advisory_unlock($1)', [LOCK]);
    await runner.release();
  }
}
