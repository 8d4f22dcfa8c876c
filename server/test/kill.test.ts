import { spawn, type ChildProcess } from 'node:child_process';
import { createServer, type AddressInfo } from 'node:net';
import { resolve } from 'node:path';
import { v7 as uuid } from 'uuid';
import { hashesOf, type PlanInput } from '@tufa/core/plan';
import { cookiesOf, DOCK, LEAD, makeDatabase, PHONE, SPALL, type TestDatabase } from './harness';

const MAIN = resolve(__dirname, '../dist/main.mjs');

let database: TestDatabase;
let child: ChildProcess | null = null;
let port = 0;

const freePort = (): Promise<number> =>
  new Promise((done) => {
    const probe = createServer().listen(0, '127.0.0.1', () => {
      const { port: found } = probe.address() as AddressInfo;
      probe.close(() => done(found));
    });
  });

/** Starts the bundled server; resolves when it says where it is. */
const boot = (): Promise<void> =>
  new Promise((done, failed) => {
    const made = spawn(process.execPath, [MAIN], {
      env: {
        ...process.env,
        DATABASE_URL: database.url,
        MIGRATION_DATABASE_URL: database.ownerUrl,
        SESSION_SECRET: 'x',
        PORT: String(port),
        TUFA_DEMO: resolve(__dirname, '../../demo'),
      },
      stdio: ['ignore', 'pipe', 'inherit'],
    });
    child = made;
    made.stdout.once('data', () => done());
    made.once('exit', (code) => code !== null && code !== 0 && failed(new Error(`server ended with ${code}`)));
  });

beforeAll(async () => {
  database = await makeDatabase();
  port = await freePort();
  await boot();
}, 60_000);

afterAll(async () => {
  child?.kill('SIGKILL');
  await database.drop();
});

test('killed at 20 random points of a pour, the events at the end are the events tapped', async () => {
  const base = `http://127.0.0.1:${port}/api/v1`;
  let cookie = '';
  const call = async (path: string, init: RequestInit = {}): Promise<Response> =>
    fetch(`${base}${path}`, { ...init, headers: { 'content-type': 'application/json', cookie } });
  const signIn = await call('/session', { method: 'POST', body: JSON.stringify({ personId: LEAD, device: { id: PHONE, label: '' } }) });
  expect(signIn.status).toBe(201);
  cookie = cookiesOf(signIn.headers);
  const planned = (await (await call(`/jobs/${DOCK}/plan`)).json()) as { input: PlanInput };
  expect(planned).toHaveProperty('input.elements');
  const { input } = planned;

  let seq = 0;
  const envelope = (kind: string, target: string, change: object) => {
    seq += 1;
    return { id: uuid(), v: 1, device: PHONE, seq, person: LEAD, madeAt: new Date().toISOString(), kind, target, base: null, change };
  };
  const planId = uuid();
  const tapped: string[] = [];
  const queue: object[] = [envelope('plan.add', planId, { jobId: DOCK, input, hashes: hashesOf(input), coreVersion: '0.1.0', seed: 1, replaces: null })];
  for (let batch = 1; batch <= 20; batch += 1)
    for (const kind of ['start', 'placed', 'finished']) {
      const target = uuid();
      tapped.push(target);
      queue.push(
        envelope('pourEvent.add', target, {
          jobId: DOCK,
          findingId: SPALL,
          planId,
          batch: String(batch),
          device: PHONE,
          seq,
          deviceAt: new Date().toISOString(),
          clockOffset: 0,
          person: LEAD,
          kind,
          v: 1,
          payload: {},
          undoes: null,
        }),
      );
    }

  // As the outbox does: in order, the same commands again until the firm has answered for them.
  let kills = 0;
  const killer = async (): Promise<void> => {
    while (kills < 20) {
      await new Promise((wait) => setTimeout(wait, Math.random() * 40));
      const dying = child as ChildProcess;
      const gone = new Promise((done) => dying.once('exit', done));
      dying.kill('SIGKILL');
      await gone;
      kills += 1;
      await boot();
    }
  };
  const sender = async (): Promise<void> => {
    // While the killer is at work the last three wait, so that every kill meets a pour in progress.
    while (queue.length > 0) {
      if (kills < 20 && queue.length <= 3) {
        await call('/health').catch(() => null);
        continue;
      }
      const some = queue.slice(0, 1 + Math.floor(Math.random() * 3));
      const answer = await call('/commands', { method: 'POST', body: JSON.stringify(some) }).catch(() => null);
      if (!answer?.ok) continue;
      const { results } = (await answer.json().catch(() => ({ results: [] }))) as { results: { result: string }[] };
      expect(results.filter(({ result }) => result !== 'done')).toEqual([]);
      if (results.length === some.length) queue.splice(0, results.length);
    }
  };
  await Promise.all([killer(), sender()]);
  const { pourEvent } = (await (await call(`/jobs/${DOCK}`)).json()) as { pourEvent: Record<string, { kind: string }> };
  expect(Object.keys(pourEvent).sort()).toEqual([...tapped].sort());
}, 180_000);
