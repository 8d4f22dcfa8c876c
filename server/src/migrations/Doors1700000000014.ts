import type { MigrationInterface, QueryRunner } from 'typeorm';
import { DEMO_FIRM_ID } from '../services/firm';

const OF_FIRM = `firm_id = nullif(current_setting('tufa.firm', true), '')::uuid`;

const OF_PERSON = 'foreign key (firm_id, person_id) references person (firm_id, id)';

/** What opens a door: nothing of it travels to a phone or lies in an archive. */
const TABLES: Readonly<Record<string, string>> = {
  passphrase: `person_id uuid not null, sign_in text not null, hash text not null, set_at timestamptz not null, primary key (firm_id, person_id), unique (firm_id, sign_in),
    ${OF_PERSON}`,
  passkey: `id text primary key, person_id uuid not null, public_key bytea not null, counter bigint not null, transports text[] not null,
    label text not null, made_at timestamptz not null, used_at timestamptz, ${OF_PERSON}`,
  recovery_code: `hash text primary key, person_id uuid not null, made_at timestamptz not null, used_at timestamptz, ${OF_PERSON}`,
  door_key: `hash text primary key, kind text not null check (kind in ('invitation', 'document')), target uuid not null, made_by uuid not null,
    made_at timestamptz not null, ends_at timestamptz not null, used_at timestamptz`,
};

/** Functions of the owner's, whom the security of these tables does not bind: they say which firm a secret opens, to whoever holds the secret. */
const FUNCTIONS: Readonly<Record<string, string>> = {
  'passphrases_of(named text)': `returns table (firm_id uuid, person_id uuid, hash text) language sql stable security definer set search_path = public, pg_temp
    as 'select firm_id, person_id, hash from passphrase where sign_in = named order by set_at limit 5'`,
  'firm_of_passkey(asked text)': `returns uuid language sql stable security definer set search_path = public, pg_temp
    as 'select firm_id from passkey where id = asked'`,
  'firm_of_recovery(asked text)': `returns uuid language sql stable security definer set search_path = public, pg_temp
    as 'select firm_id from recovery_code where hash = asked and used_at is null'`,
  'firm_of_key(asked text)': `returns uuid language sql stable security definer set search_path = public, pg_temp
    as 'select firm_id from door_key where hash = asked'`,
  'firm_of_device(asked text)': `returns uuid language plpgsql stable security definer set search_path = public, pg_temp
    as $body$ begin return (select firm_id from device_door where secret = asked); end $body$`,
  'take_firm_code(asked text, at timestamptz)': `returns boolean language plpgsql security definer set search_path = public, pg_temp
    as $body$ begin delete from firm_code where hash = asked and ends_at > at; return found; end $body$`,
};

const signatureOf = (declared: string): string => declared.replace(/\b\w+ (text|timestamptz)/g, '$1');

/**
 * Doors: passphrases, passkeys, recovery codes, invitations, a customer's links, what a device may still do. A firm's
 * tables bind every role, their owner too; which firm a secret belongs to is looked up before a firm is known.
 */
export class Doors1700000000014 implements MigrationInterface {
  async up(runner: QueryRunner): Promise<void> {
    await runner.query('alter table person add column language text');
    await runner.query('alter table device add column shut text, add column wiped_at timestamptz');
    for (const [table, columns] of Object.entries(TABLES)) {
      await runner.query(`create table ${table} (firm_id uuid not null references firm (id), ${columns})`);
      await runner.query(`alter table ${table} enable row level security`);
      await runner.query(`create policy own_firm on ${table} using (${OF_FIRM}) with check (${OF_FIRM})`);
      await runner.query(`grant select, insert, update, delete on ${table} to tufa_app`);
    }
    await runner.query('create index on passphrase (sign_in)');
    for (const table of ['passkey', 'recovery_code']) await runner.query(`create index on ${table} (person_id)`);
    // A code that makes a firm is of none yet; only the owner's function takes it.
    await runner.query('create table firm_code (hash text primary key, ends_at timestamptz not null)');
    // What a device shows is of its firm's row; which firm that is, is kept beside it, where no firm need be known.
    await runner.query('create table device_door (secret text primary key, firm_id uuid not null references firm (id))');
    await runner.query('grant insert on device_door to tufa_app');
    // Which firms there are, by their ids alone: what looks after all of them takes them one by one.
    await runner.query('create table firm_here (firm_id uuid primary key references firm (id), demonstration boolean not null)');
    await runner.query('grant select, insert on firm_here to tufa_app');
    await this.fillFromFirms(runner);
    await runner.query('create table door_try (key varchar(255) primary key, points integer not null default 0, expire bigint)');
    await runner.query('grant select, insert, update, delete on door_try to tufa_app');
    await runner.query(`create index session_person on session ((sess->>'personId'))`);
    await runner.query(`create index session_device on session ((sess->>'deviceId'))`);
    for (const [declared, body] of Object.entries(FUNCTIONS)) {
      await runner.query(`create function ${declared} ${body}`);
      await runner.query(`revoke all on function ${signatureOf(declared)} from public`);
      await runner.query(`grant execute on function ${signatureOf(declared)} to tufa_app`);
    }
  }

  /** Rows of a firm are seen by nobody whose firm is not set: firm by firm. */
  private async fillFromFirms(runner: QueryRunner): Promise<void> {
    await runner.query('alter table firm no force row level security');
    const firms = (await runner.query('select id from firm')) as { id: string }[];
    await runner.query('alter table firm force row level security');
    for (const { id } of firms) {
      await runner.query(`select set_config('tufa.firm', $1, true)`, [id]);
      // Until now there was none but the demonstration.
      await runner.query('insert into firm_here values ($1, $2)', [id, id === DEMO_FIRM_ID]);
      await runner.query('insert into device_door select secret, firm_id from device where secret is not null');
    }
    await runner.query(`select set_config('tufa.firm', '', true)`);
  }

  async down(runner: QueryRunner): Promise<void> {
    for (const declared of Object.keys(FUNCTIONS)) await runner.query(`drop function ${signatureOf(declared)}`);
    await runner.query('drop index session_person, session_device');
    for (const table of ['door_try', 'firm_here', 'device_door', 'firm_code', ...Object.keys(TABLES).reverse()]) await runner.query(`drop table ${table}`);
    await runner.query('alter table device drop column shut, drop column wiped_at');
    await runner.query('alter table person drop column language');
  }
}
