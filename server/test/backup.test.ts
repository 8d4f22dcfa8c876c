import { randomBytes } from 'node:crypto';
import { spawn } from 'node:child_process';
import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { v7 as uuid } from 'uuid';
import { command, DOCK, makeDatabase, makeServer, PHONE, signedIn, signInOn, type TestDatabase, type TestServer } from './harness';
import { lines } from './scripted';

const folder = mkdtempSync(join(tmpdir(), 'tufa-kept-'));
const photo = uuid();
let server: TestServer;
let database: TestDatabase;
let stop: () => Promise<void>;

beforeAll(async () => {
  ({ server, database, stop } = await signedIn());
  const picture = await sharp({ create: { width: 64, height: 48, channels: 3, background: '#776655' } })
    .jpeg()
    .toBuffer();
  await server.request.put(`/api/v1/photographs/${photo}/full`).set('content-type', 'image/jpeg').send(picture).expect(200);
}, 60_000);

afterAll(async () => {
  await stop();
  rmSync(folder, { recursive: true });
});

/** The database as whoever may see all of its rows reaches it. */
const adminOf = ({ url }: TestDatabase): string => process.env['TEST_ADMIN_URL']!.replace(/\/[^/]*$/, url.slice(url.lastIndexOf('/')));

/** Runs one of the two as the command does. @returns what it said, by whether it went well */
function run(work: string): Promise<{ good: boolean; said: string }> {
  const script = `import { backup, restore, keepNewest } from '$LIB/backup.mjs'; import { main, say } from '$LIB/run.mjs'; main(async () => say(JSON.stringify(await (${work}))));`;
  const child = spawn(process.execPath, lines(script), { stdio: ['ignore', 'pipe', 'pipe'] });
  let said = '';
  for (const stream of [child.stdout, child.stderr]) stream.on('data', (data) => (said += String(data)));
  return new Promise((done) => child.once('close', (code) => done({ good: code === 0, said })));
}
const backUp = (to: string, passphrase = '') => run(`backup({ url: '${adminOf(database)}', to: '${to}', passphrase: '${passphrase}', workFactor: 10 })`);
const bring = (into: TestDatabase, file: string, passphrase = '') => run(`restore({ url: '${adminOf(into)}', file: '${file}', passphrase: '${passphrase}' })`);

test('what is backed up while it serves is restored equal into an empty place, with its pictures, and everybody signs in again', async () => {
  // Somebody writes all the while.
  let writing = true;
  const written = (async () => {
    for (let i = 0; writing; i += 1)
      await server.request.post('/api/v1/commands').send([command('job.change', DOCK, { accessNote: `note ${i}` }, { base: {} })]);
  })();
  const file = join(folder, 'whole.zip');
  const made = await backUp(file);
  writing = false;
  await written;
  expect([made.good, made.said]).toEqual([true, expect.stringContaining('"rows"')]);
  expect(statSync(file).mode & 0o777).toBe(0o600);
  const elsewhere = await makeDatabase();
  const brought = await bring(elsewhere, file);
  expect([brought.good, brought.said]).toEqual([true, expect.stringContaining('"tables"')]);
  const other = await makeServer(elsewhere);
  await signInOn(other.request, PHONE);
  expect((await other.request.get(`/api/v1/photographs/${photo}/full`).expect(200)).headers['content-type']).toBe('image/jpeg');
  expect((await other.request.get(`/api/v1/jobs/${DOCK}`).expect(200)).body.job.accessNote).toBeDefined();
  await other.close();
  // A second time it would be written over somebody's work.
  expect(await bring(elsewhere, file)).toEqual({ good: false, said: expect.stringContaining('There is a Tufa here already') });
  await elsewhere.drop();
}, 60_000);

test('with a passphrase it opens with that alone; what is cut, changed or no backup is refused and nothing is written', async () => {
  const file = join(folder, 'sealed.zip');
  expect((await backUp(file, 'gravel lantern')).good).toBe(true);
  const bytes = readFileSync(`${file}.age`);
  expect(bytes.subarray(0, 30).toString()).toContain('age-encryption');
  const elsewhere = await makeDatabase();
  const refused = async (name: string, passphrase?: string) => {
    const { good, said } = await bring(elsewhere, join(folder, name), passphrase);
    return good ? 'taken' : said;
  };
  expect(await refused('sealed.zip.age')).toContain('is encrypted');
  expect(await refused('sealed.zip.age', 'another')).toContain('does not open');
  writeFileSync(join(folder, 'cut.zip.age'), bytes.subarray(0, bytes.length / 2));
  expect(await refused('cut.zip.age', 'gravel lantern')).toContain('does not open');
  writeFileSync(join(folder, 'none.zip'), randomBytes(2000));
  expect(await refused('none.zip')).toContain('no whole backup');
  const plain = readFileSync(join(folder, 'whole.zip'));
  plain[plain.length >> 1]! ^= 1;
  writeFileSync(join(folder, 'changed.zip'), plain);
  expect(await refused('changed.zip')).toContain('no whole backup');
  expect(await refused('sealed.zip.age', 'gravel lantern')).toBe('taken');
  await elsewhere.drop();
}, 60_000);

test('the newest stay, by number, and nothing else in the folder goes', async () => {
  const kept = join(folder, 'kept');
  mkdirSync(kept);
  const names = ['tufa-2026-05-01T02-30-00.zip', 'tufa-2026-05-02T02-30-00.zip.age', 'tufa-2026-05-03T02-30-00.zip', 'letters.zip'];
  for (const name of names) writeFileSync(join(kept, name), '');
  expect(await run(`keepNewest('${kept}', 2)`)).toEqual({ good: true, said: '["tufa-2026-05-01T02-30-00.zip"]\n' });
  expect(readdirSync(kept).sort()).toEqual(names.slice(1).sort());
});

test('a role that sees one firm at a time backs nothing up', async () => {
  const { good, said } = await run(`backup({ url: '${database.ownerUrl}', to: '${join(folder, 'bound.zip')}' })`);
  expect([good, said]).toEqual([false, expect.stringContaining('sees one firm at a time')]);
});
