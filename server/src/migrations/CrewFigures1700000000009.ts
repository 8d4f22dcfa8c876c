import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What batches have shown of the crew's own figures, and jobs that are planned without them; a release before this one reads on. */
export class CrewFigures1700000000009 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('alter table job add column as_sheet boolean');
    await runner.query(`create table crew_entry (
      id uuid primary key, firm_id uuid not null references firm (id), version integer not null, changed bigint not null,
      removed boolean not null default false, setters jsonb not null default '{}', job_id uuid references job (id),
      product_id uuid references product (id), batch text, person uuid not null references person (id), kind text not null,
      value double precision not null, temperature_c double precision, retarder double precision, censored boolean not null,
      trial boolean not null, aside boolean not null, at timestamptz not null)`);
    await runner.query('create index on crew_entry (firm_id, changed, id)');
    await runner.query('create index on crew_entry (product_id)');
    await runner.query('alter table crew_entry enable row level security');
    await runner.query('alter table crew_entry force row level security');
    const ofFirm = `firm_id = nullif(current_setting('tufa.firm', true), '')::uuid`;
    await runner.query(`create policy own_firm on crew_entry using (${ofFirm}) with check (${ofFirm})`);
    await runner.query('grant select, insert, update on crew_entry to tufa_app');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table crew_entry');
    await runner.query('alter table job drop column as_sheet');
  }
}
