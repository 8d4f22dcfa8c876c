import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Visits after the work, and the day on which a job was closed; a release before this one reads on. */
export class Care1700000000012 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('alter table job add column closed_on text');
    await runner.query(`create table care_visit (
      id uuid primary key, firm_id uuid not null references firm (id), version integer not null, changed bigint not null,
      removed boolean not null default false, setters jsonb not null default '{}', job_id uuid not null references job (id),
      finding_id uuid references finding (id), kind text not null, due_on text not null, done_on text, note text not null)`);
    await runner.query('create index on care_visit (firm_id, changed, id)');
    await runner.query('create index on care_visit (job_id)');
    await runner.query('alter table care_visit enable row level security');
    await runner.query('alter table care_visit force row level security');
    const ofFirm = `firm_id = nullif(current_setting('tufa.firm', true), '')::uuid`;
    await runner.query(`create policy own_firm on care_visit using (${ofFirm}) with check (${ofFirm})`);
    await runner.query('grant select, insert, update on care_visit to tufa_app');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table care_visit');
    await runner.query('alter table job drop column closed_on');
  }
}
