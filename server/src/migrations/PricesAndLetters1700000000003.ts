import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What was agreed for a job, in minor units, and the bytes of letters; a release before this one reads on. */
export class PricesAndLetters1700000000003 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('alter table job add column price_minor integer');
    await runner.query('create table letter_file (letter_id uuid primary key, firm_id uuid not null references firm (id), bytes bytea not null)');
    await runner.query('alter table letter_file enable row level security');
    await runner.query('alter table letter_file force row level security');
    const ofFirm = `firm_id = nullif(current_setting('tufa.firm', true), '')::uuid`;
    await runner.query(`create policy own_firm on letter_file using (${ofFirm}) with check (${ofFirm})`);
    await runner.query('grant select, insert on letter_file to tufa_app');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table letter_file');
    await runner.query('alter table job drop column price_minor');
  }
}
