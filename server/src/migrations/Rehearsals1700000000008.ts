import type { MigrationInterface, QueryRunner } from 'typeorm';

/** How rehearsals went, by person, and what was moved of a job's day; a release before this one reads on. */
export class Rehearsals1700000000008 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('alter table job add column day_plan jsonb');
    await runner.query(`create table rehearsal (
      id uuid primary key, firm_id uuid not null references firm (id), version integer not null, changed bigint not null,
      removed boolean not null default false, setters jsonb not null default '{}', person uuid not null references person (id),
      scenario text not null, seed integer not null, started integer not null, lost integer not null,
      wasted_s double precision not null, ended_at timestamptz not null)`);
    await runner.query('create index on rehearsal (firm_id, changed, id)');
    await runner.query('alter table rehearsal enable row level security');
    await runner.query('alter table rehearsal force row level security');
    const ofFirm = `firm_id = nullif(current_setting('tufa.firm', true), '')::uuid`;
    await runner.query(`create policy own_firm on rehearsal using (${ofFirm}) with check (${ofFirm})`);
    await runner.query('grant select, insert on rehearsal to tufa_app');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table rehearsal');
    await runner.query('alter table job drop column day_plan');
  }
}
