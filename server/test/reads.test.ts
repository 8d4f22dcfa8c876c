import pg from 'pg';
import { command, DOCK, signedIn, type TestServer } from './harness';

let server: TestServer;
let stop: () => Promise<void>;

beforeAll(async () => {
  ({ server, stop } = await signedIn());
}, 60_000);

afterAll(() => stop());

/** What the database is asked while something is asked of the server. */
async function askedBy(work: () => Promise<unknown>): Promise<string[]> {
  const spy = jest.spyOn(pg.Client.prototype, 'query');
  await work();
  const asked = spy.mock.calls.map(([what]: readonly unknown[]) => (typeof what === 'string' ? what : String((what as { text?: string }).text)));
  spy.mockRestore();
  return asked;
}

test('a job is read by at most eight statements, and none of them looks at the shelf', async () => {
  const path = `/api/v1/jobs/${DOCK}`;
  await server.request.get(path).expect(200);
  const asked = await askedBy(() => server.request.get(path).expect(200));
  expect(asked.length).toBeGreaterThan(0);
  expect(asked.length).toBeLessThanOrEqual(8);
  expect(asked.filter((sql) => /\bfrom "?(sheet|product|stock_lot)\b/.test(sql))).toEqual([]);
});

test('where nothing has changed nothing is looked for', async () => {
  const { cursor } = (await server.request.get('/api/v1/changes?since=0').expect(200)).body;
  const asked = await askedBy(() => server.request.get(`/api/v1/changes?since=${cursor}`).expect(200));
  expect(asked.filter((sql) => sql.includes('union all'))).toEqual([]);
  await server.request.post('/api/v1/commands').send([command('job.change', DOCK, { accessNote: 'x' })]);
  expect((await askedBy(() => server.request.get(`/api/v1/changes?since=${cursor}`).expect(200))).some((sql) => sql.includes('union all'))).toBe(true);
});

test('a session in use is written once a day and not at every request', async () => {
  const read = () => server.request.get('/api/v1/changes?since=999999').expect(200);
  const writes = (asked: readonly string[]): number => asked.filter((sql) => /^\s*(insert into|update) "?(public"?\."?)?session\b/i.test(sql)).length;
  await read();
  expect(writes(await askedBy(read))).toBe(0);
  server.clock.now = new Date('2026-05-13T06:00:00Z');
  expect(writes(await askedBy(read))).toBe(1);
  expect(writes(await askedBy(read))).toBe(0);
});

test('rows of a job that is closed for long are no phone\u2019s load, unless it asks for them; the job itself is', async () => {
  const closed = command('job.change', DOCK, { closedOn: '2020-01-31' }, { base: { closedOn: null } });
  expect((await server.request.post('/api/v1/commands').send([closed]).expect(200)).body.results[0].result).toBe('done');
  const rowsOf = async (more: object): Promise<{ job: string[]; finding: string[] }> => {
    const { body } = await server.request
      .get('/api/v1/changes')
      .query({ since: 0, ...more })
      .expect(200);
    return { job: body.rows.job.map(({ id }: { id: string }) => id), finding: body.rows.finding.map(({ jobId }: { jobId: string }) => jobId) };
  };
  const all = await rowsOf({});
  expect(all.finding).toContain(DOCK);
  const daily = await rowsOf({ closedBefore: '2025-01-01' });
  expect(daily.job).toContain(DOCK);
  expect(daily.finding).not.toContain(DOCK);
  expect(daily.finding.length).toBe(all.finding.filter((jobId) => jobId !== DOCK).length);
  expect(await rowsOf({ closedBefore: '2025-01-01', back: DOCK })).toEqual(all);
  expect(await rowsOf({ closedBefore: '2019-01-01' })).toEqual(all);
  await server.request.get('/api/v1/changes?closedBefore=yesterday').expect(422);
});
