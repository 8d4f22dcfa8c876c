import { randomBytes } from 'node:crypto';
import { SPOKEN } from '@tufa/contract/languages';
import { bring } from '@tufa/words/bring';
import { resolve } from 'node:path';
import pg from 'pg';
import { pino } from 'pino';
import supertest from 'supertest';
import type { DataSource } from 'typeorm';
import { v7 as uuid } from 'uuid';
import { makeApp } from '../src/app';
import { migrate } from '../src/data/migrate';
import { connect } from '../src/data/connect';
import { makeSource } from '../src/data/source';
import { newFirmCode } from '../src/doors/firmCode';
import { makeTries } from '../src/doors/tries';
import { hostsOf } from '../src/serve';
import { seed } from '../src/services/seed';

export interface TestDatabase {
  readonly url: string;
  readonly ownerUrl: string;
  drop: () => Promise<void>;
}

const needed = (name: string): string => {
  const value = process.env[name];
  if (!value) throw new Error(`${name} is not set: these tests run on the real PostgreSQL of npm test.`);
  return value;
};

/** A database of its own on the test cluster, with the two roles' rights as in production. */
export async function makeDatabase(): Promise<TestDatabase> {
  const name = `t_${randomBytes(6).toString('hex')}`;
  const admin = needed('TEST_ADMIN_URL');
  const at = (url: string): string => url.replace(/\/[^/]*$/, `/${name}`);
  const run = async (url: string, ...sql: string[]): Promise<void> => {
    const client = new pg.Client({ connectionString: url });
    await client.connect();
    for (const statement of sql) await client.query(statement);
    await client.end();
  };
  await run(admin, `create database ${name} owner tufa_owner`);
  await run(at(admin), 'alter schema public owner to tufa_owner', 'grant usage on schema public to tufa_app');
  return { url: at(needed('TEST_APP_URL')), ownerUrl: at(needed('TEST_OWNER_URL')), drop: () => run(admin, `drop database ${name} with (force)`) };
}

export interface TestServer {
  readonly request: ReturnType<typeof supertest.agent>;
  readonly app: ReturnType<typeof makeApp>;
  readonly source: DataSource;
  readonly owner: DataSource;
  readonly clock: { now: Date };
  /** ends every stream of news */
  endStreams: () => void;
  close: () => Promise<void>;
}

/** The real application on a real database, seeded, its clock held. */
export async function makeServer(
  database: TestDatabase,
  weather: string | null = null,
  { empty = false, instruments = null as string | null } = {},
): Promise<TestServer> {
  const clock = { now: new Date('2026-05-12T13:00:00Z') };
  await Promise.all(SPOKEN.map(bring));
  const owner = await makeSource({ url: database.ownerUrl, most: 2 }).initialize();
  await migrate(owner);
  await seed({ owner, clock: () => clock.now, empty, demo: resolve(__dirname, '../../demo') });
  const log = pino({ level: process.env['TUFA_TEST_LOG'] ?? 'silent' });
  const { close, ...connections } = await connect({ url: database.url, log });
  const app = makeApp({
    ...connections,
    demonstration: !empty,
    tries: makeTries(connections.pool),
    secure: () => false,
    ready: () => true,
    metricsToken: null,
    clock: () => clock.now,
    log,
    secret: 'test',
    web: null,
    weather,
    instruments,
    hosts: hostsOf(),
    proxied: false,
  });
  return {
    app,
    request: supertest.agent(app),
    source: connections.source,
    owner,
    clock,
    endStreams: () => connections.news.endAll(),
    close: async () => {
      await close();
      await owner.destroy();
    },
  };
}

export const LEAD = '0198a000-9e09-7000-8000-000000000001';
export const OWNER = '0198a000-9e09-7000-8000-000000000004';
export const READER = '0198a000-9e09-7000-8000-000000000005';
export const MIXER = '0198a000-9e09-7000-8000-000000000002';
export const DOCK = '0198a000-de00-7000-8000-000000000001';
export const PLINTH = '0198a000-de00-7000-8000-0000000000e0';
export const SLAB = '0198a000-de00-7000-8000-000000000002';
export const SPALL = '0198a000-de00-7000-8000-000000000003';
export const PHONE = '0198a000-0f01-7000-8000-000000000001';
export const OTHER_PHONE = '0198a000-0f01-7000-8000-000000000002';

let count = 0;
/** A command of the lead's on the phone, as it is sent; each with the next count. */
export function command(kind: string, target: string, change: object, more: object = {}): { readonly id: string } & Readonly<Record<string, unknown>> {
  count += 1;
  return { id: uuid(), v: 1, device: PHONE, seq: count, person: LEAD, madeAt: '2026-05-12T13:00:00Z', kind, target, base: null, change, ...more };
}

/** What an answer gives to be shown at the next request. */
export const cookiesOf = (headers: Headers): string =>
  headers
    .getSetCookie()
    .map((cookie) => cookie.split(';')[0])
    .join('; ');

/** Signs somebody in on a device. @returns the device's id as the firm knows it */
export async function signInOn(agent: TestServer['request'], id: string, personId = LEAD): Promise<string> {
  const answer = await agent
    .post('/api/v1/session')
    .send({ personId, device: { id, label: 'test' } })
    .expect(201);
  return (answer.body as { device: string }).device;
}

export const PASSPHRASE = 'trowel pumice lantern gravel';

/** Makes a firm of its own with whoever asks as its owner, signed in. @returns what the server says of it */
export async function makeFirmOn(
  agent: TestServer['request'],
  { owner, clock }: Pick<TestServer, 'owner' | 'clock'>,
  { firm = 'Ours', signIn = 'owner@ours.example' } = {},
): Promise<{ firmId: string; device: string; person: { id: string; role: string }; codes: string[] }> {
  const code = await newFirmCode(owner, clock.now);
  const asked = { code, firm, name: 'Owner', signIn, passphrase: PASSPHRASE, system: 'us', currency: 'USD', device: { id: uuid(), label: 'test' } };
  return (await agent.post('/api/v1/firms').send(asked).expect(201)).body;
}

/** A server on a database of its own, with the lead signed in on the phone; for a file's `beforeAll`. */
export async function signedIn(
  weather: string | null = null,
  { empty = false, person = LEAD, instruments = null as string | null } = {},
): Promise<{ database: TestDatabase; server: TestServer; mine: { device: string; person: string }; stop: () => Promise<void> }> {
  const database = await makeDatabase();
  const server = await makeServer(database, weather, { empty, instruments });
  const made = empty ? await makeFirmOn(server.request, server) : null;
  const mine = made ? { device: made.device, person: made.person.id } : { device: await signInOn(server.request, PHONE, person), person };
  const stop = async (): Promise<void> => {
    await server.close();
    await database.drop();
  };
  return { database, server, mine, stop };
}

/** A firm of its own beside the demonstration, its owner signed in on a phone of theirs. */
export interface OtherFirm {
  readonly agent: TestServer['request'];
  readonly firmId: string;
  readonly device: string;
  readonly owner: string;
  readonly codes: readonly string[];
}

export async function makeOtherFirm(server: TestServer): Promise<OtherFirm> {
  const agent = supertest.agent(server.app);
  const { firmId, device, person, codes } = await makeFirmOn(agent, server, { firm: 'Theirs', signIn: 'owner@theirs.example' });
  return { agent, firmId, device, owner: person.id, codes };
}

export interface Joined {
  readonly agent: TestServer['request'];
  readonly device: string;
  readonly person: string;
  readonly signIn: string;
}

/** Somebody of a firm, invited by its owner and signed in on a phone of their own. */
export async function joinFirm(server: TestServer, { agent: owners, device: from, owner }: OtherFirm, name: string, role: string): Promise<Joined> {
  const person = uuid();
  const added = await sendFrom(owners, { device: from, person: owner }, 'person.add', person, { name, role });
  if (added.result !== 'done') throw new Error(JSON.stringify(added));
  const { token } = (await owners.post(`/api/v1/people/${person}/invitation`).expect(201)).body;
  const agent = supertest.agent(server.app);
  const signIn = `${name.toLowerCase()}@theirs.example`;
  const asked = { token, signIn, passphrase: PASSPHRASE, device: { id: uuid(), label: 'test' } };
  const { body } = await agent.post('/api/v1/session/invitation').send(asked).expect(201);
  return { agent, device: body.device, person, signIn };
}

/** Sends one command from a device by a person. @returns what became of it */
export async function sendFrom(
  agent: TestServer['request'],
  from: { readonly device: string; readonly person: string },
  kind: string,
  target: string,
  change: object,
  base: object | null = null,
) {
  return (
    await agent
      .post('/api/v1/commands')
      .send([command(kind, target, change, { ...from, base })])
      .expect(200)
  ).body.results[0];
}
