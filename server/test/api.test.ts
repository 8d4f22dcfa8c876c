import { assemblePlanInput } from '@tufa/contract/assemble';
import { mergeRows } from '@tufa/contract/applyCommand';
import { emptyFirmData } from '@tufa/contract/entities';
import { computePlan } from '@tufa/core/plan';
import { aids, catalogue } from '@tufa/core/shelf/catalogue';
import supertest from 'supertest';
import { v7 as uuid } from 'uuid';
import { withFirm } from '../src/data/withFirm';
import { makeSource } from '../src/data/source';
import { refusePower } from '../src/data/refusePower';
import { seed } from '../src/services/seed';
import { DOCK, LEAD, OTHER_PHONE, PHONE, signedIn, signInOn, SLAB, SPALL, type TestDatabase, type TestServer } from './harness';

let database: TestDatabase;
let server: TestServer;
let stop: () => Promise<void>;
let otherPhone: TestServer['request'];
let seq = 0;

beforeAll(async () => {
  ({ database, server, stop } = await signedIn());
  otherPhone = supertest.agent(server.app);
  await signInOn(otherPhone, OTHER_PHONE);
}, 60_000);

afterAll(() => stop());

const command = (kind: string, target: string, change: object, more: object = {}) => {
  seq += 1;
  return { id: uuid(), v: 1, device: PHONE, seq, person: LEAD, madeAt: '2026-05-12T13:00:00Z', kind, target, base: null, change, ...more };
};
const send = async (...commands: object[]) => (await server.request.post('/api/v1/commands').send(commands).expect(200)).body.results;
const sendFromOther = async (written: object) =>
  (
    await otherPhone
      .post('/api/v1/commands')
      .send([{ ...written, device: OTHER_PHONE }])
      .expect(200)
  ).body.results[0];
const job = async () => (await server.request.get(`/api/v1/jobs/${DOCK}`).expect(200)).body;

test('nothing is read without signing in, and the answer says so', async () => {
  const stranger = await supertest(server.app).get('/api/v1/changes');
  expect(stranger.status).toBe(401);
  expect(stranger.headers['content-type']).toContain('application/problem+json');
  expect(stranger.body).toMatchObject({ code: 'signInFirst', status: 401 });
});

test('changes bring the whole firm once and then only what is new', async () => {
  const first = (await server.request.get('/api/v1/changes?since=0').expect(200)).body;
  expect(Object.keys(first.rows).sort()).toEqual(['element', 'finding', 'firm', 'job', 'person', 'product', 'reading', 'sheet', 'treatment']);
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

test('a repeat returns the stored result and changes nothing again', async () => {
  const once = command('job.change', DOCK, { customer: 'Hillside cider works, yard' }, { base: { customer: 'Hillside cider works' } });
  const [first] = await send(once);
  const before = (await job()).job.version;
  const [again] = await send(once);
  expect(again).toEqual(first);
  expect((await job()).job.version).toBe(before);
});

test('only a field somebody else changed meanwhile is a conflict; it carries both values and loses neither', async () => {
  const { job: stored } = await job();
  const theirs = await sendFromOther(command('job.change', DOCK, { address: 'Lower gate' }, { base: { address: stored.address } }));
  expect(theirs.result).toBe('done');
  const [clash, other] = await send(
    command('job.change', DOCK, { address: 'Upper gate' }, { base: { address: stored.address } }),
    command('job.change', DOCK, { name: 'Loading dock, north' }, { base: { name: stored.name } }),
  );
  expect(clash).toMatchObject({ result: 'conflict', conflicts: [{ field: 'address', yours: 'Upper gate', theirs: 'Lower gate' }] });
  expect(other.result).toBe('done');
  expect((await job()).job).toMatchObject({ address: 'Lower gate', name: 'Loading dock, north' });
  const [mine] = await send(command('job.change', DOCK, { address: 'Upper gate' }, { base: { address: 'Lower gate' } }));
  expect(mine.result).toBe('done');
});

test('two pages of one phone that change the same field from the same value clash like two phones; an edit of what is not sent yet does not', async () => {
  const { job: stored } = await job();
  const base = { accessNote: stored.accessNote };
  const results = await send(
    command('job.change', DOCK, { accessNote: 'of one page' }, { base }),
    command('job.change', DOCK, { accessNote: 'of the other' }, { base }),
    command('job.change', DOCK, { accessNote: 'of one page, again' }, { base: { accessNote: 'of one page' } }),
  );
  expect(results.map(({ result }: { result: string }) => result)).toEqual(['done', 'conflict', 'done']);
  expect(results[1].conflicts).toEqual([{ field: 'accessNote', yours: 'of the other', theirs: 'of one page' }]);
});

test('what a form sends as it stood does not undo what another phone made of it meanwhile', async () => {
  const { job: seen } = await job();
  await sendFromOther(command('job.change', DOCK, { customer: 'The works' }, { base: { customer: seen.customer } }));
  const [result] = await send(command('job.change', DOCK, { customer: seen.customer, name: 'Dock' }, { base: { customer: seen.customer, name: seen.name } }));
  expect(result.result).toBe('done');
  expect((await job()).job).toMatchObject({ customer: 'The works', name: 'Dock' });
});

test('a deletion is a tombstone, and an edit beats it and says so', async () => {
  const [gone] = await send(command('finding.remove', SPALL, {}));
  expect(gone.result).toBe('done');
  expect((await job()).finding[SPALL].removed).toBe(true);
  const { finding } = await job();
  const [back] = await send(
    command('finding.change', SPALL, { kind: 'spall', outline: finding[SPALL].outline }, { base: { kind: 'spall', outline: finding[SPALL].outline } }),
  );
  expect(back).toMatchObject({ result: 'done', restored: true });
  expect((await job()).finding[SPALL].removed).toBe(false);
});

test('a stale If-Match on a single command gets both versions', async () => {
  const { job: stored } = await job();
  const stale = await server.request
    .post('/api/v1/commands')
    .set('if-match', '"1"')
    .send([command('job.change', DOCK, { accessNote: 'x' }, { base: {} })]);
  expect(stale.status).toBe(412);
  expect(stale.body.figures).toMatchObject({ yours: { accessNote: 'x' }, theirs: { id: DOCK, version: stored.version } });
});

const element = (change: object) => ({
  jobId: DOCK,
  name: 'Ramp',
  kind: 'slab',
  stops: {},
  properties: { suspended: false, exposures: [], moisture: 'dry', opens: null },
  geometry: {
    outline: [
      [0, 0],
      [2, 0],
      [2, 2],
      [0, 2],
    ],
    thickness: { value: 0.1, source: 'typed' },
  },
  ...change,
});

test.each<[string, () => unknown]>([
  ['no list', () => ({ hello: 1 })],
  ['an empty list', () => []],
  ['101 commands', () => Array.from({ length: 101 }, () => ({}))],
])('%s of commands is refused whole with a problem', async (_name, body) => {
  const { status, body: answer } = await server.request.post('/api/v1/commands').send(body() as object);
  expect(status).toBe(422);
  expect(answer.title).not.toContain('problem.');
});

test.each<[string, () => object, string]>([
  [
    'a 4 km slab',
    () =>
      command(
        'element.add',
        uuid(),
        element({
          geometry: {
            ...element({}).geometry,
            outline: [
              [0, 0],
              [4000, 0],
              [4000, 2],
              [0, 2],
            ],
          },
        }),
      ),
    'change.geometry.outline.1.0',
  ],
  [
    'a crossing outline',
    () =>
      command(
        'element.add',
        uuid(),
        element({
          geometry: {
            ...element({}).geometry,
            outline: [
              [0, 0],
              [2, 2],
              [2, 0],
              [0, 2],
            ],
          },
        }),
      ),
    'change.geometry.outline',
  ],
  [
    'a negative thickness',
    () => command('element.add', uuid(), element({ geometry: { ...element({}).geometry, thickness: { value: -1, source: 'typed' } } })),
    'change.geometry.thickness.value',
  ],
  [
    'a word for a number',
    () => command('element.add', uuid(), element({ geometry: { ...element({}).geometry, thickness: { value: 'thick', source: 'typed' } } })),
    'change.geometry.thickness.value',
  ],
  ['an unknown field', () => command('job.change', DOCK, { colour: 'red' }), 'change.colour'],
  ['an unknown kind', () => command('plan.change', DOCK, {}), 'kind'],
  ['an id that is none', () => command('job.change', 'dock', { name: 'x' }), 'target'],
  ['a name of 500 letters', () => command('job.change', DOCK, { name: 'x'.repeat(500) }), 'change.name'],
  ['a stranger as its person', () => command('job.change', DOCK, { name: 'x' }, { person: uuid() }), 'person'],
  ['a job that is not there', () => command('element.add', uuid(), element({ jobId: uuid() })), 'change.jobId'],
  [
    'water of 90 degC',
    () =>
      command('reading.add', uuid(), {
        jobId: DOCK,
        elementId: null,
        findingId: null,
        kind: 'water_C',
        value: { value: 90, source: 'typed' },
        at: null,
        takenAt: '2026-05-12T13:01:00Z',
        subject: null,
      }),
    'change.value.value',
  ],
  ['nothing', () => ({}), 'id'],
])('%s is refused as that command’s own result, with the field, and the rest go on', async (_name, bad, field) => {
  const [refused, good] = await send(
    bad(),
    command('reading.add', uuid(), {
      jobId: DOCK,
      elementId: null,
      findingId: null,
      kind: 'air_C',
      value: { value: 22, source: 'typed' },
      at: null,
      takenAt: '2026-05-12T13:01:00Z',
      subject: null,
    }),
  );
  expect(refused).toMatchObject({ result: 'refused', problem: { field, status: expect.any(Number) } });
  expect(refused.problem.title).not.toMatch(/problem\.|undefined/);
  expect(good.result).toBe('done');
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
  await server.request
    .get(`/api/v1/jobs/${DOCK}`)
    .set('if-none-match', headers['etag'] as string)
    .expect(304);
});

test('untouched demonstration jobs are anchored afresh; a touched one is the user’s', async () => {
  const apron = '0198a000-de00-7000-8000-000000000020';
  const dockBefore = await job();
  const later = new Date('2026-05-14T15:00:00Z');
  await seed({ owner: server.owner, clock: () => later, empty: false, demo: `${__dirname}/../../demo` });
  expect(await job()).toEqual(dockBefore);
  expect((await server.request.get(`/api/v1/jobs/${apron}`)).body.job.pourOn).toBeNull();
});

test('the element of a firm keeps its grain: two phones answer different parts without a clash', async () => {
  const { element: elements } = await job();
  const slab = elements[SLAB];
  const [here] = await send(command('element.change', SLAB, { name: 'Dock slab, outer' }, { base: { name: slab.name } }));
  const there = await sendFromOther(command('element.change', SLAB, { stops: { ...slab.stops, rust: 'yes' } }, { base: { stops: slab.stops } }));
  expect([here.result, there.result]).toEqual(['done', 'done']);
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
  const heard = new Promise<number>((resolve) => {
    void import('../src/services/News').then(async ({ News }) => {
      const { pino } = await import('pino');
      const news = new News(database.url, pino({ level: 'silent' }));
      await news.open();
      const stop = news.subscribe({
        firmId: '0198a000-f1f0-7000-8000-000000000001',
        session: '',
        end: () => undefined,
        tell: (cursor) => {
          stop();
          void news.close().then(() => resolve(cursor));
        },
      });
      await send(command('job.change', DOCK, { accessNote: 'Heard' }, { base: { accessNote: (await job()).job.accessNote } }));
    });
  });
  expect(await heard).toBeGreaterThan(2);
});

test('what a finding is does not change', async () => {
  const { finding } = await job();
  const properties = { what: 'wet' };
  const [result] = await send(
    command('finding.change', SPALL, { kind: 'mark', properties }, { base: { kind: 'spall', properties: finding[SPALL].properties } }),
  );
  expect(result).toMatchObject({ result: 'refused', problem: { code: 'kindFixed' } });
});
