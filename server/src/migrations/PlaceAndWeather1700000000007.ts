import type { MigrationInterface, QueryRunner } from 'typeorm';

/** Where a job lies, by when it must be open, and the weather of its place; a release before this one reads on. */
export class PlaceAndWeather1700000000007 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('alter table job add column place jsonb, add column opens_by text');
    await runner.query(`create table forecast (
      id uuid primary key, firm_id uuid not null references firm (id), version integer not null, changed bigint not null,
      removed boolean not null default false, setters jsonb not null default '{}', job_id uuid not null references job (id),
      latitude_deg double precision not null, longitude_deg double precision not null, taken_at timestamptz not null,
      from_hour timestamptz not null, hours jsonb not null, source text not null, invented boolean not null)`);
    await runner.query('create index on forecast (firm_id, changed, id)');
    await runner.query('create index on forecast (job_id)');
    await runner.query('alter table forecast enable row level security');
    await runner.query('alter table forecast force row level security');
    const ofFirm = `firm_id = nullif(current_setting('tufa.firm', true), '')::uuid`;
    await runner.query(`create policy own_firm on forecast using (${ofFirm}) with check (${ofFirm})`);
    await runner.query('grant select, insert on forecast to tufa_app');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('drop table forecast');
    await runner.query('alter table job drop column place, drop column opens_by');
  }
}
