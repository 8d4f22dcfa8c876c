import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Documents of jobs with the numbers they went out under. */
export class Documents1700000000010 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`create table document (
      id uuid primary key, firm_id uuid not null references firm (id), job_id uuid not null references job (id), kind text not null,
      number text not null, made_at timestamptz not null, person uuid not null references person (id), state text not null,
      done integer not null, total integer not null, sha256 text, versions jsonb not null, bytes bytea, unique (firm_id, number))`);
    await runner.query('create index on document (firm_id, job_id)');
    await runner.query('alter table document enable row level security');
    await runner.query('alter table document force row level security');
    const ofFirm = `firm_id = nullif(current_setting('tufa.firm', true), '')::uuid`;
    await runner.query(`create policy own_firm on document using (${ofFirm}) with check (${ofFirm})`);
    await runner.query('grant select, insert, update on document to tufa_app');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table document');
  }
}
