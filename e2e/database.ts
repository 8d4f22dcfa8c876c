import { randomBytes } from 'node:crypto';
import pg from 'pg';

export const env = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set: run npm test.`);
  return value;
};

/** The same address with another database. */
export const addressOf = (url: string, name: string): string => url.replace(/\/[^/]*$/, `/${name}`);

async function sql(url: string, ...statements: string[]): Promise<void> {
  const client = new pg.Client({ connectionString: url });
  await client.connect();
  for (const statement of statements) await client.query(statement);
  await client.end();
}

/** Makes a database: a copy of a template, or an empty one that the two roles may use as in production. @returns its name */
export async function makeDatabase(template?: string): Promise<string> {
  const name = `e_${randomBytes(6).toString('hex')}`;
  const admin = env('TEST_ADMIN_URL');
  await sql(admin, `create database ${name} owner tufa_owner${template ? ` template ${template}` : ''}`);
  if (!template) await sql(addressOf(admin, name), 'alter schema public owner to tufa_owner', 'grant usage on schema public to tufa_app');
  return name;
}

export const dropDatabase = (name: string): Promise<void> => sql(env('TEST_ADMIN_URL'), `drop database ${name} with (force)`);
