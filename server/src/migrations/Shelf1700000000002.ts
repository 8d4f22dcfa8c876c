import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Schools of a job over its firm's. Lots are counted as their packs are, and carry the number printed on them. No release before this one reads the table. */
export class Shelf1700000000002 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('alter table stock_lot rename column mass_kg to amount');
    await runner.query('alter table stock_lot add column lot text');
    await runner.query('alter table job add column house jsonb');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('alter table job drop column house');
    await runner.query('alter table stock_lot drop column lot');
    await runner.query('alter table stock_lot rename column amount to mass_kg');
  }
}
