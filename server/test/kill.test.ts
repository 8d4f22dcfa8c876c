import type { ChildProcess } from 'node:child_process';
import { v7 as uuid } from 'uuid';
import { hashesOf, type PlanInput } from '@tufa/core/plan';
import { command, cookiesOf, DOCK, LEAD, makeDatabase, PHONE, SPALL, type TestDatabase } from './harness';
import { boot, freePort } from './scripted';

/** Each is a start of the server: a few in every run, all of them in `npm run bench:faults`. */
const KILLS = process.env['TUFA_FAULTS'] === 'full' ? 20 : 4;

let database: TestDatabase;
let child: ChildProcess | null = null;
let port = 0;

beforeAll(async () => {
  database = await makeDatabase();
  port = await freePort();
  child = await boot(database, port);
}, 60_000);

afterAll(async () => {
  child?.kill('SIGKILL');
  await database.drop();
});

test(`killed at ${KILLS} random points of a pour, the events at the end are the events tapped`, async () => {
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

  const planId = uuid();
  const tapped: string[] = [];
  const queue: object[] = [command('plan.add', planId, { jobId: DOCK, input, hashes: hashesOf(input), coreVersion: '0.1.0', seed: 1, replaces: null })];
  for (let batch = 1; batch <= 20; batch += 1)
    for (const kind of ['start', 'placed', 'finished']) {
      const target = uuid();
      tapped.push(target);
      queue.push(
        command('pourEvent.add', target, {
          jobId: DOCK,
          findingId: SPALL,
          planId,
          batch: String(batch),
          device: PHONE,
          seq: queue.length,
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
    while (kills < KILLS) {
      await new Promise((wait) => setTimeout(wait, Math.random() * 40));
      const dying = child!;
      const gone = new Promise((done) => dying.once('exit', done));
      dying.kill('SIGKILL');
      await gone;
      kills += 1;
      child = await boot(database, port);
    }
  };
  const sender = async (): Promise<void> => {
    // While the killer is at work the last three wait, so that every kill meets a pour in progress.
    while (queue.length > 0) {
      if (kills < KILLS && queue.length <= 3) {
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
