import type { MigrationInterface, QueryRunner } from 'typeorm';

/** What every firm's table begins with. */
const ROW = `
  id uuid primary key,
  firm_id uuid not null references firm (id),
  version integer not null,
  changed bigint not null,
  removed boolean not null default false,
  setters jsonb not null default '{}'`;

const TABLES: Record<string, { columns: string; append?: boolean }> = {
  person: { columns: 'name text not null, role text not null' },
  device: { columns: 'label text not null, seen_at timestamptz not null' },
  job: {
    columns: `name text not null, customer text not null, address text not null, access_note text not null, zone text not null,
      pour_on text, crew jsonb not null, batch jsonb not null, demonstration boolean not null`,
  },
  element: {
    columns:
      'job_id uuid not null references job (id), name text not null, kind text not null, geometry jsonb not null, properties jsonb not null, stops jsonb not null',
  },
  finding: {
    columns: `job_id uuid not null references job (id), element_id uuid not null references element (id), label text not null, kind text not null,
      outline jsonb not null, properties jsonb not null`,
  },
  reading: {
    append: true,
    columns: `job_id uuid not null references job (id), element_id uuid references element (id), finding_id uuid references finding (id),
      kind text not null, value jsonb not null, at jsonb, taken_at timestamptz not null, subject text`,
  },
  product: { columns: 'name text not null, class text not null' },
  sheet: { append: true, columns: 'product_id uuid not null references product (id), revision integer not null, sheet jsonb not null' },
  treatment: {
    columns: `job_id uuid not null references job (id), finding_id uuid not null references finding (id), sheet_id uuid not null references sheet (id),
      layers jsonb not null, edge text, bond text, cure text`,
  },
  stock_lot: { columns: 'product_id uuid not null references product (id), mass_kg double precision not null, opened_on text, use_by text' },
  plan: {
    append: true,
    columns: `job_id uuid not null references job (id), input jsonb not null, hashes jsonb not null, core_version text not null, seed integer not null,
      replaces uuid references plan (id)`,
  },
  pour_event: {
    append: true,
    columns: `job_id uuid not null references job (id), finding_id uuid not null references finding (id), plan_id uuid not null references plan (id),
      batch text not null, device uuid not null, seq integer not null, device_at timestamptz not null, clock_offset double precision not null,
      received_at timestamptz not null, person uuid not null, kind text not null, v integer not null, payload jsonb not null, undoes uuid`,
  },
  photograph: {
    columns: `job_id uuid not null references job (id), element_id uuid references element (id), finding_id uuid references finding (id), batch text,
      sha256 text not null, bytes integer not null, taken_at timestamptz not null`,
  },
  command: {
    append: true,
    columns: `device uuid not null, seq integer not null, person uuid not null, made_at timestamptz not null, received_at timestamptz not null,
      kind text not null, target uuid not null, v integer not null, base jsonb, change jsonb not null, result jsonb not null`,
  },
};

const BY_JOB = ['element', 'finding', 'reading', 'treatment', 'plan', 'pour_event', 'photograph'];

/** All tables of the slice, each closed to every firm but the one set for the transaction. */
export class First1700000000000 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query(`create table firm (
      id uuid primary key, firm_id uuid not null, version integer not null, changed bigint not null, removed boolean not null default false,
      setters jsonb not null default '{}', name text not null, settings jsonb not null, change_counter bigint not null default 0, check (firm_id = id))`);
    await this.close(runner, 'firm', false);
    for (const [table, { columns, append = false }] of Object.entries(TABLES)) {
      await runner.query(`create table ${table} (${ROW}, ${columns})`);
      await runner.query(`create index on ${table} (firm_id, changed)`);
      await this.close(runner, table, append);
    }
    for (const table of BY_JOB) await runner.query(`create index on ${table} (job_id)`);
    await runner.query('create table session (sid varchar primary key, sess json not null, expire timestamp(6) not null)');
    await runner.query('create index on session (expire)');
    await runner.query('grant select, insert, update, delete on session to tufa_app');
  }

  /** Row security on, for the owner too; the serving role may add and, unless append-only, change, but never delete. */
  private async close(runner: QueryRunner, table: string, append: boolean): Promise<void> {
    await runner.query(`alter table ${table} enable row level security`);
    await runner.query(`alter table ${table} force row level security`);
    const ofFirm = `firm_id = nullif(current_setting('tufa.firm', true), '')::uuid`;
    await runner.query(`create policy own_firm on ${table} using (${ofFirm}) with check (${ofFirm})`);
    await runner.query(`grant select, insert${append ? '' : ', update'} on ${table} to tufa_app`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const table of ['session', ...Object.keys(TABLES).reverse(), 'firm']) await runner.query(`drop table ${table}`);
  }
}
