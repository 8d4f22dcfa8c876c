import type { DataSource, EntityManager } from 'typeorm';

/**
 * One transaction in which only one firm's rows exist: row-level security reads the firm set here, and the setting ends
 * with the transaction.
 */
export const withFirm = <T>(source: DataSource, firmId: string, work: (tx: EntityManager) => Promise<T>): Promise<T> =>
  source.transaction(async (tx) => {
    await tx.query(`select set_config('tufa.firm', $1, true)`, [firmId]);
    return work(tx);
  });

/** The firm's next change number. Its row lock makes changes visible in the order of their numbers. */
export async function nextChange(tx: EntityManager, firmId: string): Promise<number> {
  const [rows] = (await tx.query('update firm set change_counter = change_counter + 1 where id = $1 returning change_counter', [firmId])) as [
    { change_counter: string }[],
    number,
  ];
  const row = rows[0];
  if (!row) throw new Error(`firm ${firmId} does not exist`);
  return Number(row.change_counter);
}
