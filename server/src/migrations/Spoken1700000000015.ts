import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What is searched is found in every language that is spoken: all of it is read anew. */
export class Spoken1700000000015 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`alter table search_entry add column spoken jsonb not null default '{}'`);
    await runner.query('truncate search_upto, search_waiting, search_word, search_entry');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('alter table search_entry drop column spoken');
  }
}
