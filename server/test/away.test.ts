import type { AddressInfo } from 'node:net';
import pg from 'pg';
import { command, cookiesOf, DOCK, LEAD, PHONE, signedIn, type TestDatabase, type TestServer } from './harness';
import { httpServer, type HttpServer } from '../src/http/httpServer';

let server: TestServer;
let database: TestDatabase;
let stop: () => Promise<void>;
let http: HttpServer;
let base = '';
let cookie = '';

const name = (): string => new URL(database.url).pathname.slice(1);

/** Work on the cluster, beside the database that is away. */
async function admin(...statements: string[]): Promise<void> {
  const client = new pg.Client({ connectionString: process.env['TEST_ADMIN_URL'] });
  await client.connect();
  for (const statement of statements) await client.query(statement);
  await client.end();
}

const cut = (): Promise<void> => admin(`select pg_terminate_backend(pid) from pg_stat_activity where datname = '${name()}'`);

const call = (path: string, init: RequestInit = {}): Promise<Response> =>
  fetch(`${base}/api/v1${path}`, { ...init, headers: { 'content-type': 'application/json', cookie } });

/** Opens the news and tells what comes, as it comes. */
async function listen(): Promise<{ events: string[]; next: (from: number) => Promise<void>; ended: Promise<void>; close: () => void }> {
  const events: string[] = [];
  const waiting = new Set<() => void>();
  const ear = new AbortController();
  const answer = await fetch(`${base}/api/v1/news`, { headers: { cookie }, signal: ear.signal });
  const read = async (): Promise<void> => {
    const decoder = new TextDecoder();
    for await (const chunk of answer.body as unknown as AsyncIterable<Uint8Array>) {
      events.push(...(decoder.decode(chunk).match(/event: message\ndata: \d+/g) ?? []));
      waiting.forEach((done) => done());
    }
  };
  const ended = read().catch(() => undefined);
  const next = (from: number): Promise<void> =>
    new Promise((done) => {
      const look = (): void => {
        if (events.length > from) done();
      };
      waiting.add(look);
      look();
    });
  return { events, next, ended, close: () => ear.abort() };
}

beforeAll(async () => {
  ({ server, database, stop } = await signedIn());
  http = httpServer(server.app);
  await new Promise<void>((done) => http.server.listen(0, '127.0.0.1', done));
  base = `http://127.0.0.1:${(http.server.address() as AddressInfo).port}`;
  const answer = await call('/session', { method: 'POST', body: JSON.stringify({ personId: LEAD, device: { id: PHONE, label: '' } }) });
  cookie = cookiesOf(answer.headers);
  ({ device } = (await answer.json()) as { device: string });
}, 60_000);

afterAll(async () => {
  await admin(`alter database ${name()} allow_connections true`);
  server.endStreams();
  await http.close();
  await stop();
});

let device = '';
const rename = (to: string): Promise<Response> =>
  call('/commands', { method: 'POST', body: JSON.stringify([command('job.change', DOCK, { accessNote: to }, { device })]) });

/** Asks until it is answered as wanted. */
async function until(ask: () => Promise<Response>, status: number): Promise<Response> {
  for (;;) {
    const answer = await ask();
    if (answer.status === status) return answer;
    await answer.text();
    await new Promise((wait) => setTimeout(wait, 50));
  }
}

test('every connection to the database lost at once: the server goes on, and every page is told to look once', async () => {
  const { events, next, close } = await listen();
  await cut();
  await until(() => call('/changes?since=0'), 200);
  await next(0);
  expect(events[0]).toBe('event: message\ndata: 0');
  await until(() => rename('after it was lost'), 200);
  await next(1);
  expect(events[1]).toMatch(/^event: message\ndata: [1-9]/);
  close();
}, 30_000);

test('while the database is away it is said to be, nothing is half written; when it is back the news are too', async () => {
  const { events, next, close } = await listen();
  await admin(`alter database ${name()} allow_connections false`);
  await cut();
  const away = await until(() => call('/changes?since=0'), 503);
  expect(away.headers.get('content-type')).toContain('application/problem+json');
  expect(await away.json()).toMatchObject({ code: 'databaseAway', status: 503 });
  expect((await rename('never')).status).toBe(503);
  await admin(`alter database ${name()} allow_connections true`);
  const { job } = (await (await until(() => call(`/jobs/${DOCK}`), 200)).json()) as { job: { accessNote: string } };
  expect(job.accessNote).not.toBe('never');
  await next(0);
  expect(events[0]).toBe('event: message\ndata: 0');
  close();
}, 30_000);

test('a stream ends with the session it was opened in', async () => {
  const { ended } = await listen();
  expect((await call('/session', { method: 'DELETE' })).status).toBe(204);
  await ended;
  expect((await call('/changes?since=0')).status).toBe(401);
}, 30_000);
