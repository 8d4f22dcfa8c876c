import { assemblePlanInput } from '@tufa/contract/assemble';
import { mergeRows } from '@tufa/contract/applyCommand';
import { emptyFirmData } from '@tufa/contract/entities';
import { computePlan } from '@tufa/core/plan';
import { aids, catalogue } from '@tufa/core/shelf/catalogue';
import { pino } from 'pino';
import supertest from 'supertest';
import { v7 as uuid } from 'uuid';
import { withFirm } from '../src/data/withFirm';
import { makeSource } from '../src/data/source';
import { refusePower } from '../src/data/refusePower';
import { News } from '../src/services/News';
import { seed } from '../src/services/seed';
import { command, DOCK, signedIn, type TestDatabase, type TestServer } from './harness';

let database: TestDatabase;
let server: TestServer;
let stop: () => Promise<void>;

beforeAll(async () => {
  ({ database, server, stop } = await signedIn());
}, 60_000);

afterAll(() => stop());

const send = async (...commands: object[]) => (await server.request.post('/api/v1/commands').send(commands).expect(200)).body.results;
const job = async () => (await server.request.get(`/api/v1/jobs/${DOCK}`).expect(200)).body;

test('nothing is read without signing in, and the answer says so', async () => {
  const stranger = await supertest(server.app).get('/api/v1/changes');
  expect(stranger.status).toBe(401);
  expect(stranger.headers['content-type']).toContain('application/problem+json');
  expect(stranger.body).toMatchObject({ code: 'signInFirst', status: 401 });
});

test('changes bring the whole firm once and then only what is new', async () => {
  const first = (await server.request.get('/api/v1/changes?since=0').expect(200)).body;
  expect(Object.keys(first.rows).sort()).toEqual([
    'element',
    'finding',
    'firm',
    'job',
    'person',
    'plan',
    'pourEvent',
    'product',
    'reading',
    'sheet',
    'treatment',
  ]);
  expect(first.rows.sheet).toHaveLength(catalogue.length + aids.length);
  const { cursor } = first;
  expect((await server.request.get(`/api/v1/changes?since=${cursor}`)).body.rows).toEqual({});
  const [done] = await send(
    command(
      'job.change',
      DOCK,
      { accessNote: 'Ring first' },
      { base: { accessNote: first.rows.job.find((row: { id: string }) => row.id === DOCK).accessNote } },
    ),
  );
  expect(done).toMatchObject({ result: 'done', version: 2 });
  const next = (await server.request.get(`/api/v1/changes?since=${cursor}`)).body;
  expect(next.rows.job).toMatchObject([{ id: DOCK, accessNote: 'Ring first', version: 2 }]);
  expect(Object.keys(next.rows)).toEqual(['job']);
});

test.each([
  ['get', '/api/v1/jobs/nobody', 422],
  ['get', `/api/v1/jobs/${uuid()}`, 404],
  ['get', '/api/v1/changes?since=soon', 422],
  ['get', '/api/v1/jobs?limit=0', 422],
  ['get', '/api/v1/nothing', 404],
] as const)('%s %s answers %d as a problem, never 500', async (method, path, status) => {
  const answer = await server.request[method](path);
  expect(answer.status).toBe(status);
  expect(answer.headers['content-type']).toContain('problem+json');
});

test('unreadable JSON is 400, not 500', async () => {
  await server.request.post('/api/v1/commands').set('content-type', 'application/json').send('{"a":').expect(400);
});

test('append-only rows cannot be changed even by the serving role, and another firm sees nothing', async () => {
  await expect(withFirm(server.source, '0198a000-f1f0-7000-8000-000000000001', (tx) => tx.query('update reading set kind = $1', ['x']))).rejects.toThrow(
    /permission denied/,
  );
  await expect(withFirm(server.source, '0198a000-f1f0-7000-8000-000000000001', (tx) => tx.query('delete from job'))).rejects.toThrow(/permission denied/);
  const other = '0198a000-f1f0-7000-8000-0000000000ff';
  expect(await withFirm(server.source, other, (tx) => tx.query('select * from job'))).toEqual([]);
  expect(await server.source.query('select * from job')).toEqual([]);
  await expect(
    withFirm(server.source, other, (tx) =>
      tx.query(`insert into person (id, firm_id, version, changed, name, role) values ($1, '0198a000-f1f0-7000-8000-000000000001', 1, 1, 'x', 'lead')`, [
        uuid(),
      ]),
    ),
  ).rejects.toThrow(/row-level security/);
});

test('serving as the owner is refused', async () => {
  const source = await makeSource({ url: database.ownerUrl, most: 1 }).initialize();
  await expect(refusePower(source)).rejects.toThrow(/owns tables/);
  await source.destroy();
  await expect(refusePower(server.source)).resolves.toBeUndefined();
});

test('the server plans what the phone plans', async () => {
  const { rows } = (await server.request.get('/api/v1/changes?since=0')).body;
  const input = assemblePlanInput(mergeRows(emptyFirmData(), rows), DOCK)!;
  const answer = (await server.request.get(`/api/v1/jobs/${DOCK}/plan`).expect(200)).body;
  expect(answer.input).toEqual(input);
  expect(answer.plan).toEqual(JSON.parse(JSON.stringify(computePlan(input))));
  expect(answer.plan.findings[0].chosen.batches.count).toBeGreaterThan(1);
});

test('a read carries an ETag and an unchanged one is not sent again', async () => {
  const { headers } = await server.request.get(`/api/v1/jobs/${DOCK}`);
  await server.request.get(`/api/v1/jobs/${DOCK}`).set('if-none-match', headers['etag']!).expect(304);
});

test('untouched demonstration jobs are anchored afresh; a touched one is the user’s', async () => {
  const apron = '0198a000-de00-7000-8000-000000000020';
  const dockBefore = await job();
  const later = new Date('2026-05-14T15:00:00Z');
  await seed({ owner: server.owner, clock: () => later, empty: false, demo: `${__dirname}/../../demo` });
  expect(await job()).toEqual(dockBefore);
  expect((await server.request.get(`/api/v1/jobs/${apron}`)).body.job.pourOn).toBeNull();
});

test('a page of changes may end within a number that many rows share, and none is lost', async () => {
  const COUNT = 2345;
  const { cursor } = (await server.request.get('/api/v1/changes?since=0').expect(200)).body;
  await withFirm(server.owner, '0198a000-f1f0-7000-8000-000000000001', async (tx) => {
    const [row] = (await tx.query('update firm set change_counter = change_counter + 1 returning change_counter'))[0];
    await tx.query(
      `insert into reading (id, firm_id, version, changed, job_id, kind, value, taken_at)
       select gen_random_uuid(), id, 1, $1, $2, 'humidity', '{"value":0.5,"source":"typed"}', now() from firm, generate_series(1, ${COUNT})`,
      [row.change_counter, DOCK],
    );
  });
  const ids = new Set<string>();
  let [place, pages] = [`since=${cursor}`, 0];
  for (let more = true; more; pages += 1) {
    const { body } = await server.request.get(`/api/v1/changes?${place}`).expect(200);
    for (const { id } of body.rows.reading) ids.add(id);
    ({ more } = body);
    place = `since=${body.cursor}${body.after ? `&after=${body.after}` : ''}`;
  }
  expect([ids.size, pages]).toEqual([COUNT, 3]);
  expect((await server.request.get(`/api/v1/changes?${place}`).expect(200)).body.rows).toEqual({});
});

test('news tells an open page that something changed', async () => {
  const news = new News(database.url, pino({ level: 'silent' }), () => Promise.resolve());
  await news.open();
  const heard = new Promise<number>((tell) => {
    news.subscribe({ firmId: '0198a000-f1f0-7000-8000-000000000001', session: '', person: '', device: '', end: () => undefined, tell });
  });
  await send(command('job.change', DOCK, { accessNote: 'Heard' }, { base: { accessNote: (await job()).job.accessNote } }));
  expect(await heard).toBeGreaterThan(2);
  await news.close();
});
