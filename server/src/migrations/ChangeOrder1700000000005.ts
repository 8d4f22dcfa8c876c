import type { MigrationInterface, QueryRunner } from 'typeorm';

const TABLES = [
  'firm',
  'person',
  'device',
  'job',
  'element',
  'finding',
  'reading',
  'product',
  'sheet',
  'treatment',
  'stock_lot',
  'plan',
  'pour_event',
  'photograph',
];

/** Changes are read in the order of their numbers and, within one, of ids: a page may end within a number that a thousand rows share. */
export class ChangeOrder1700000000005 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    for (const table of TABLES) {
      await runner.query(`create index ${table}_order on ${table} (firm_id, changed, id)`);
      await runner.query(`drop index if exists ${table}_firm_id_changed_idx`);
    }
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of TABLES) {
      await runner.query(`create index ${table}_firm_id_changed_idx on ${table} (firm_id, changed)`);
      await runner.query(`drop index ${table}_order`);
    }
  }
}
