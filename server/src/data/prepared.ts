import type { PoolClient, QueryResultRow } from 'pg';
import type { EntityManager } from 'typeorm';

/**
 * A query that the database plans one time for each connection and not at every asking: for those whose planning costs
 * more than their work.
 *
 * @param name the same for the same text, and for no other
 */
export async function prepared<R extends QueryResultRow>(
  tx: EntityManager,
  { name, text, values }: { name: string; text: string; values: readonly unknown[] },
): Promise<R[]> {
  // TypeORM has no named statements: they are asked of its own connection, within its transaction.
  const client = (await tx.queryRunner!.connect()) as PoolClient;
  return (await client.query<R>({ name, text, values: [...values] })).rows;
}
