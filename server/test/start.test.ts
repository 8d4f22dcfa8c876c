import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join, resolve } from 'node:path';
import pg from 'pg';
import { serve, type Serving } from '../src/serve';
import { makeDatabase } from './harness';
import { holdCluster, homeOf, lines } from './scripted';

const NAME = `start-test-${process.pid}`;
const HOME = homeOf(NAME);

const holder = () => {
  const { urls, ...rest } = holdCluster(NAME);
  const url = urls.then(({ ownerUrl }) => ownerUrl);
  url.catch(() => undefined);
  return { ...rest, url };
};

async function answers(url: string): Promise<boolean> {
  const client = new pg.Client({ connectionString: url });
  try {
    await client.connect();
    await client.query('select 1');
    return true;
  } catch {
    return false;
  } finally {
    await client.end().catch(() => undefined);
  }
}

afterAll(() => rmSync(HOME, { recursive: true, force: true }));

test('two starts at once share one database, and neither end takes it from the other', async () => {
  const [first, second] = [holder(), holder()];
  const [atFirst, two] = await Promise.all([first.url, second.url]);
  expect(atFirst).toBe(two);
  await first.end();
  expect(await answers(two)).toBe(true);
  await second.end();
  expect(await answers(two)).toBe(false);
}, 60_000);

test('whoever is killed leaves the database to the next, who stops it', async () => {
  const killed = holder();
  await killed.url;
  await killed.end('SIGKILL');
  const next = holder();
  const url = await next.url;
  expect(await answers(url)).toBe(true);
  await next.end();
  expect(await answers(url)).toBe(false);
}, 60_000);

test('a lock whose number another process has got since is no reason to end that process', async () => {
  // The number of the database that these tests run on: of the same program, and of another folder.
  const [other] = readFileSync(join(homeOf('test-cluster'), 'data/postmaster.pid'), 'utf8').split('\n');
  writeFileSync(join(HOME, 'data/postmaster.pid'), `${other}\n${join(HOME, 'data')}\n1\n1\n${HOME}\n127.0.0.1\n0 0\nready\n`);
  const start = holder();
  expect(await answers(await start.url)).toBe(true);
  expect(start.said()).not.toMatch(/kill/);
  await start.end();
}, 60_000);

test.each([
  ['empty', () => writeFileSync(join(HOME, 'secrets.json'), '')],
  ['missing', () => rmSync(join(HOME, 'secrets.json'))],
])(
  'passwords that are %s are made anew, and what was kept is there',
  async (_, spoil) => {
    const before = holder();
    const client = new pg.Client({ connectionString: await before.url });
    await client.connect();
    await client.query('create table if not exists kept (n integer)');
    await client.query('insert into kept values (1)');
    await client.end();
    await before.end();
    spoil();
    const after = holder();
    const again = new pg.Client({ connectionString: await after.url });
    await again.connect();
    expect((await again.query('select n from kept')).rows.length).toBeGreaterThan(0);
    await again.end();
    await after.end();
    expect(JSON.parse(readFileSync(join(HOME, 'secrets.json'), 'utf8'))).toMatchObject({ admin: expect.any(String) });
  },
  60_000,
);

test.each([
  ['EROFS', /read-only.*start it there/],
  ['EACCES', /another user/],
  ['EPERM', /another user/],
  ['ENOSPC', /no room/],
])('what the machine refuses (%s) is one line that says what to do', (code, line) => {
  const work = `import { main } from '$LIB/run.mjs'; main(async () => { throw Object.assign(new Error('${code}: x'), { code: '${code}', path: '/somewhere' }); });`;
  const { status, stderr } = spawnSync(process.execPath, lines(work), { encoding: 'utf8' });
  expect([status, stderr.trim().split('\n').length]).toEqual([1, 1]);
  expect(stderr).toMatch(line);
  expect(stderr).toContain('/somewhere');
});

test('three servers that start at once on one empty database all serve, and it is filled once', async () => {
  const database = await makeDatabase();
  const demo = resolve(__dirname, '../../demo');
  const settings = {
    url: database.url,
    ownerUrl: database.ownerUrl,
    clock: () => new Date(),
    logLevel: 'silent',
    secret: 'test',
    port: 0,
    web: null,
    demo,
    empty: false,
  };
  const serving: Serving[] = await Promise.all([serve(settings), serve(settings), serve(settings)]);
  for (const { url } of serving) expect((await fetch(`${url}/api/v1/people`)).status).toBe(200);
  const client = new pg.Client({ connectionString: database.ownerUrl });
  await client.connect();
  await client.query(`select set_config('tufa.firm', '0198a000-f1f0-7000-8000-000000000001', false)`);
  expect((await client.query('select (select count(*) from firm)::int as firms, (select count(*) from person)::int as people')).rows).toEqual([
    { firms: 1, people: 5 },
  ]);
  await client.end();
  await Promise.all(serving.map(({ stop }) => stop()));
  await database.drop();
}, 60_000);

test('work that two must not do at once is done one after the other, and taken over from one that has ended', async () => {
  const folder = mkdtempSync(join(tmpdir(), 'tufa-'));
  writeFileSync(join(folder, 'in-hand'), '999999 1');
  const work = `import { alone } from '$LIB/processes.mjs'; import { appendFileSync } from 'node:fs';
    await alone('${folder}', async () => { appendFileSync('${folder}/log', 'in '); await new Promise((done) => setTimeout(done, 100)); appendFileSync('${folder}/log', 'out '); });`;
  await Promise.all([1, 2, 3].map(() => new Promise((done) => spawn(process.execPath, lines(work)).once('close', done))));
  expect(readFileSync(join(folder, 'log'), 'utf8')).toBe('in out in out in out ');
  rmSync(folder, { recursive: true });
}, 30_000);
