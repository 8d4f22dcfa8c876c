import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What is drawn on a picture, what it repeats, and its bytes; a release before this one reads on. */
export class Photographs1700000000001 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`alter table photograph add column strokes jsonb not null default '[]', add column before uuid`);
    await runner.query(`create table photograph_file (
      photograph_id uuid not null, size text not null check (size in ('full', 'thumb')), firm_id uuid not null references firm (id),
      bytes bytea not null, primary key (photograph_id, size))`);
    await runner.query('alter table photograph_file enable row level security');
    await runner.query('alter table photograph_file force row level security');
    const ofFirm = `firm_id = nullif(current_setting('tufa.firm', true), '')::uuid`;
    await runner.query(`create policy own_firm on photograph_file using (${ofFirm}) with check (${ofFirm})`);
    await runner.query('grant select, insert on photograph_file to tufa_app');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table photograph_file');
    await runner.query('alter table photograph drop column strokes, drop column before');
  }
}
