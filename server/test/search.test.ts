import type { FoundPage, Trend } from '@tufa/contract/found';
import { v7 as uuid } from 'uuid';
import { command, DOCK, signedIn, type TestServer } from './harness';

const WALL = '0198a000-de00-7000-8000-000000000040';
const PLINTH = '0198a000-de00-7000-8000-0000000000e0';

jest.setTimeout(60_000);

let server: TestServer;
let stop: () => Promise<void>;

beforeAll(async () => {
  ({ server, stop } = await signedIn());
}, 60_000);

afterAll(() => stop());

const found = async (query: Record<string, string>): Promise<FoundPage> =>
  (await server.request.get('/api/v1/search').query(query).expect(200)).body as FoundPage;
const jobsOf = ({ entries }: FoundPage): Set<string | null> => new Set(entries.map(({ jobId }) => jobId));

test('words of a job, its place and its findings find it; accents, endings and slips do no harm', async () => {
  expect(jobsOf(await found({ q: 'yard wall' }))).toEqual(new Set([WALL]));
  expect(jobsOf(await found({ q: 'walls of the yárd' }))).toEqual(new Set([WALL]));
  const slip = await found({ q: 'yard wlal rendr' });
  expect(jobsOf(slip)).toEqual(new Set([WALL]));
  expect(slip.corrected).toMatchObject({ wlal: expect.arrayContaining(['wall']) });
  expect(await found({ q: 'qqqzzz' })).toMatchObject({ count: 0, entries: [], corrected: { qqqzzz: [] } });
  // What the words mean to the database means nothing here.
  for (const q of [`'; drop table job; --`, "wall' | 'x", '& | ! ( ) <-> :*', '\\', '%_']) await found({ q });
});

test('it is found by what either language calls it, and told in the language of whoever looks', async () => {
  expect(jobsOf(await found({ q: 'muro yard' }))).toEqual(new Set([WALL]));
  const inSpanish = await server.request.get('/api/v1/search').set('accept-language', 'es').query({ q: 'plinth', kind: 'finding' }).expect(200);
  expect((inSpanish.body as FoundPage).entries[0]).toMatchObject({ title: expect.stringMatching(/^Desconchado /), said: expect.stringContaining('concreto') });
});

test('everything of the firm is counted by what it is, and narrowed by it', async () => {
  const all = await found({});
  const kinds = Object.fromEntries(all.facets.kind.map(({ value, count }) => [value, count]));
  expect(kinds).toMatchObject({ job: 8, product: expect.any(Number), finding: expect.any(Number), batch: expect.any(Number) });
  const batches = await found({ kind: 'batch' });
  expect(batches.count).toBe(kinds['batch']);
  expect(batches.entries.every(({ kind }) => kind === 'batch')).toBe(true);
  expect(jobsOf(batches)).toContain(PLINTH);
  expect((await found({ kind: 'batch', lost: 'true' })).entries).toMatchObject([{ kind: 'batch', jobId: PLINTH, title: expect.stringMatching(/^Batch 3,/) }]);
  expect(batches.facets.lost).toEqual([
    { value: 'false', count: 5 },
    { value: 'true', count: 1 },
  ]);
  await server.request.get('/api/v1/search').query({ kind: 'pail' }).expect(422);
  await server.request
    .get('/api/v1/search')
    .query({ q: 'x'.repeat(300) })
    .expect(422);
});

test('what is written is found at the next look, what is removed is not', async () => {
  const id = uuid();
  const fields = { name: 'Séance hall', customer: 'Miller', address: '', accessNote: 'key at the kiosk', zone: 'UTC', pourOn: null, demonstration: false };
  const { body: whole } = await server.request.get(`/api/v1/jobs/${DOCK}`).expect(200);
  const { crew, batch } = whole.job as { crew: object; batch: object };
  const send = (sent: object) => server.request.post('/api/v1/commands').send([sent]).expect(200);
  expect((await send(command('job.add', id, { ...fields, crew, batch }))).body.results[0].result).toBe('done');
  expect((await found({ q: 'seance kiosk' })).entries).toMatchObject([{ kind: 'job', id, title: 'Séance hall' }]);
  await send(command('job.change', id, { accessNote: 'ring twice' }, { base: { accessNote: 'key at the kiosk' } }));
  expect((await found({ q: 'seance' })).count).toBe(1);
  expect((await found({ kind: 'job', q: 'kiosk seance' })).some).toBe(true);
  await send(command('job.remove', id, {}));
  expect((await found({ q: 'seance' })).count).toBe(0);
});

test('what the batches have cost is told by product and weather: the sums are those of the batches', async () => {
  const { body } = await server.request.get('/api/v1/trends').expect(200);
  const trends = body.trends as Trend[];
  // The plinth is all that is poured of the demonstration: six batches, of which one was lost, and its patch to be done again.
  expect(trends).toMatchObject([{ batches: 6, lost: 1, calledBack: 1, weather: 'hot' }]);
  for (const { batches, lost, waste, area_m2, cost_minor_m2 } of trends) {
    expect(lost).toBeLessThanOrEqual(batches);
    expect(waste > 0).toBe(lost > 0);
    expect(waste).toBeLessThanOrEqual(1);
    if (area_m2 > 0) expect(cost_minor_m2).toBeGreaterThan(0);
  }
});

test('another firm’s words are not there, neither by a look at the tables nor through what looks for it', async () => {
  await found({ q: 'wall' });
  const rows = await server.source.transaction(async (tx) => {
    await tx.query(`select set_config('tufa.firm', $1, true)`, [uuid()]);
    return tx.query(
      `select id from search_entry union all select id from search_found(null, null, null, null, null, null, null, 10)
      union all select $1::uuid from search_alike('wall', 5)`,
      [uuid()],
    );
  });
  expect(rows).toEqual([]);
  expect(await server.source.query('select * from search_found(null, null, null, null, null, null, null, 10)')).toEqual([]);
});
