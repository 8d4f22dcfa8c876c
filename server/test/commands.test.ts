import supertest from 'supertest';
import { v7 as uuid } from 'uuid';
import { command, DOCK, OTHER_PHONE, signedIn, signInOn, SLAB, SPALL, type TestServer } from './harness';

let server: TestServer;
let stop: () => Promise<void>;
let otherPhone: TestServer['request'];

beforeAll(async () => {
  ({ server, stop } = await signedIn());
  otherPhone = supertest.agent(server.app);
  await signInOn(otherPhone, OTHER_PHONE);
}, 60_000);

afterAll(() => stop());

const send = async (...commands: object[]) => (await server.request.post('/api/v1/commands').send(commands).expect(200)).body.results;
const sendFromOther = async (written: object) =>
  (
    await otherPhone
      .post('/api/v1/commands')
      .send([{ ...written, device: OTHER_PHONE }])
      .expect(200)
  ).body.results[0];
const job = async () => (await server.request.get(`/api/v1/jobs/${DOCK}`).expect(200)).body;

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
/** An element of another shape or thickness. */
const slabOf = (geometry: object) => command('element.add', uuid(), element({ geometry: { ...element({}).geometry, ...geometry } }));

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
    () => slabOf({ outline: [[0, 0], [4000, 0], [4000, 2], [0, 2]] }), // prettier-ignore
    'change.geometry.outline.1.0',
  ],
  [
    'a crossing outline',
    () => slabOf({ outline: [[0, 0], [2, 2], [2, 0], [0, 2]] }), // prettier-ignore
    'change.geometry.outline',
  ],
  ['a negative thickness', () => slabOf({ thickness: { value: -1, source: 'typed' } }), 'change.geometry.thickness.value'],
  ['a word for a number', () => slabOf({ thickness: { value: 'thick', source: 'typed' } }), 'change.geometry.thickness.value'],
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

test('the element of a firm keeps its grain: two phones answer different parts without a clash', async () => {
  const { element: elements } = await job();
  const slab = elements[SLAB];
  const [here] = await send(command('element.change', SLAB, { name: 'Dock slab, outer' }, { base: { name: slab.name } }));
  const there = await sendFromOther(command('element.change', SLAB, { stops: { ...slab.stops, rust: 'yes' } }, { base: { stops: slab.stops } }));
  expect([here.result, there.result]).toEqual(['done', 'done']);
});

test('what a finding is does not change', async () => {
  const { finding } = await job();
  const properties = { what: 'wet' };
  const [result] = await send(
    command('finding.change', SPALL, { kind: 'mark', properties }, { base: { kind: 'spall', properties: finding[SPALL].properties } }),
  );
  expect(result).toMatchObject({ result: 'refused', problem: { code: 'kindFixed' } });
});
