import { randomBytes } from 'node:crypto';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Row } from '@tufa/contract/entities';
import sharp from 'sharp';
import { v7 as uuid } from 'uuid';
import { ZipFile } from 'yazl';
import { withFirm } from '../src/data/withFirm';
import { DEMO_FIRM_ID } from '../src/services/firm';
import { ArchiveFile } from '../src/archive/ArchiveFile';
import { command, DOCK, OWNER, PLINTH, signedIn, SLAB, type TestServer } from './harness';

jest.setTimeout(60_000);

let full: TestServer;
let empty: TestServer;
let mine: { device: string; person: string };
let archive: Buffer;
const folder = mkdtempSync(join(tmpdir(), 'archive-test-'));
const stops: (() => Promise<void>)[] = [];
const [photo, letter] = [uuid(), uuid()];

const bytesOf = async (server: TestServer, path: string): Promise<Buffer> =>
  (
    await server.request
      .get(path)
      .buffer(true)
      .parse((response, done) => {
        const chunks: Buffer[] = [];
        response.on('data', (chunk: Buffer) => chunks.push(chunk)).on('end', () => done(null, Buffer.concat(chunks)));
      })
      .expect(200)
  ).body as Buffer;
const bring = (server: TestServer, body: Buffer) => server.request.put('/api/v1/archive').set('content-type', 'application/zip').send(body);

/** An archive with some of its files exchanged. */
async function changed(change: Record<string, (before: Buffer) => Buffer>): Promise<Buffer> {
  const path = join(folder, `${uuid()}.zip`);
  writeFileSync(path, archive);
  const read = await ArchiveFile.open(path);
  const zip = new ZipFile();
  const manifest = Buffer.from(JSON.stringify(read.manifest));
  for (const file of Object.keys(read.manifest.files)) {
    const before = await read.bytes(file);
    zip.addBuffer((change[file] ?? ((same) => same))(before), file);
  }
  zip.addBuffer((change['manifest.json'] ?? ((same) => same))(manifest), 'manifest.json');
  zip.end();
  read.close();
  const chunks: Buffer[] = [];
  for await (const chunk of zip.outputStream) chunks.push(chunk as Buffer);
  return Buffer.concat(chunks);
}

const named = (firm: object): object => ({ ...firm, id: '' });

/** Everything a phone would have of a firm, but for the numbers under which it changed. */
async function everything(server: TestServer): Promise<Record<string, Record<string, object>>> {
  const rows: Record<string, Record<string, object>> = {};
  let [since, after, more] = [0, '', true];
  while (more) {
    const { body } = await server.request
      .get('/api/v1/changes')
      .query({ since, ...(after ? { after } : {}) })
      .expect(200);
    for (const [name, list] of Object.entries(body.rows as Record<string, Row[]>))
      for (const { changed: _number, ...row } of list) rows[name] = { ...rows[name], [row.id]: row };
    [since, after, more] = [body.cursor, body.after ?? '', body.more];
  }
  return rows;
}

beforeAll(async () => {
  const [first, second] = [await signedIn(null, { person: OWNER }), await signedIn(null, { empty: true })];
  stops.push(first.stop, second.stop);
  [full, empty] = [first.server, second.server];
  mine = second.mine;
  const picture = await sharp({ create: { width: 64, height: 48, channels: 3, background: '#776655' } })
    .jpeg()
    .toBuffer();
  for (const size of ['full', 'thumb'])
    await full.request.put(`/api/v1/photographs/${photo}/${size}`).set('content-type', 'image/jpeg').send(picture).expect(200);
  const pdf = Buffer.concat([Buffer.from('%PDF-1.4\n'), randomBytes(300), Buffer.from('\n%%EOF')]);
  await full.request.put(`/api/v1/letters/${letter}`).set('content-type', 'application/pdf').send(pdf).expect(200);
  const fields = {
    jobId: DOCK,
    elementId: SLAB,
    findingId: null,
    batch: null,
    sha256: '0'.repeat(64),
    bytes: picture.length,
    takenAt: '2026-05-12T13:00:00Z',
    strokes: [],
    before: null,
  };
  await full.request
    .post('/api/v1/commands')
    .send([
      command('photograph.add', photo, fields, { person: OWNER }),
      command('job.change', DOCK, { accessNote: '=cmd' }, { person: OWNER, base: { accessNote: 'Gate by the weighbridge; ask for the yard key' } }),
    ])
    .expect(200);
  // What an earlier release wrote: a sheet from before substrates were asked, a plan of a firm that had no pail yet.
  await withFirm(full.source, DEMO_FIRM_ID, async (tx) => {
    const older = `sheet - '{substrates,movement,head_m,intervals,textures,storage,opened_days}'::text[]`;
    await tx.query(
      `insert into sheet select $1, firm_id, 1, changed, false, '{}', product_id, 2, ${older} from sheet where sheet->>'class' = 'fineRapid' limit 1`,
      [uuid()],
    );
    await tx.query(
      `insert into plan (id, firm_id, version, changed, job_id, input, hashes, core_version, seed)
      select $1, firm_id, 1, changed, job_id, input #- '{firm,pail_m3}', hashes, core_version, seed from plan limit 1`,
      [uuid()],
    );
  });
  const { body } = await full.request.post(`/api/v1/jobs/${PLINTH}/documents`).send({ kind: 'quantities' }).expect(202);
  while ((await full.request.get(`/api/v1/documents/${body.id}`)).body.state === 'making');
  archive = await bytesOf(full, '/api/v1/archive');
}, 60_000);

afterAll(async () => {
  for (const stop of stops) await stop();
  rmSync(folder, { recursive: true });
});

test('what is not whole, not Tufa’s, newer or broken is refused in words, and nothing of it is kept', async () => {
  const refused = async (body: Buffer) => (await bring(empty, body).expect(422)).body as { code: string; figures?: { file?: string } };
  expect(await refused(archive.subarray(0, archive.length / 2))).toMatchObject({ code: 'archiveHalf' });
  expect(await refused(Buffer.from('no archive'))).toMatchObject({ code: 'archiveHalf' });
  expect(await refused(await changed({ 'manifest.json': (bytes) => Buffer.from(bytes.toString().replace('"v":1', '"v":9')) }))).toMatchObject({
    code: 'archiveNewer',
  });
  expect(await refused(await changed({ 'manifest.json': () => Buffer.from('{}') }))).toMatchObject({ code: 'archiveForeign' });
  const picture = `photographs/${photo}.full.jpg`;
  expect(await refused(await changed({ [picture]: (bytes) => bytes.subarray(0, 100) }))).toMatchObject({ code: 'archiveBroken', figures: { file: picture } });
  expect(await refused(await changed({ 'rows/pourEvent.jsonl': (bytes) => bytes.subarray(0, 500) }))).toMatchObject({
    code: expect.stringMatching(/^archive/),
  });
  await empty.request.put('/api/v1/archive').set('content-type', 'text/plain').send('x').expect(415);
  expect((await everything(empty))['job']).toBeUndefined();
  expect(await empty.owner.query(`select count(*)::int as n from photograph_file`)).toEqual([{ n: 0 }]);
});

test('a firm goes out and comes in again equal: every row, picture, letter and document; a second time is refused', async () => {
  const { body } = await bring(empty, archive).expect(200);
  expect(body.rows.job).toBe(8);
  expect(body.files).toBe(4);
  const { firm, person, ...rest } = await everything(empty);
  const theirs = await everything(full);
  // Its owner stays, and lets in whom it names; the firm goes on under its own id.
  const { [mine.person]: owner, ...others } = person!;
  expect({ ...rest, person: others, firm: Object.values(firm!).map(named) }).toEqual({ ...theirs, firm: Object.values(theirs['firm']!).map(named) });
  expect(owner).toMatchObject({ role: 'owner' });
  for (const path of [`photographs/${photo}/full`, `photographs/${photo}/thumb`, `letters/${letter}`])
    expect((await bytesOf(empty, `/api/v1/${path}`)).equals(await bytesOf(full, `/api/v1/${path}`))).toBe(true);
  const documents = async (server: TestServer) => (await server.request.get(`/api/v1/jobs/${PLINTH}/documents`).expect(200)).body.documents;
  expect(await documents(empty)).toEqual(await documents(full));
  const [{ id }] = await documents(empty);
  expect((await bytesOf(empty, `/api/v1/documents/${id}/file`)).equals(await bytesOf(full, `/api/v1/documents/${id}/file`))).toBe(true);
  expect((await bring(empty, archive).expect(409)).body.code).toBe('firmNotEmpty');
  // It goes on as any firm does: its phones hear of what follows.
  const change = command('job.change', DOCK, { customer: 'Miller' }, { ...mine, base: { customer: 'Hillside cider works' } });
  await empty.request.post('/api/v1/commands').send([change]).expect(200);
  expect((await empty.request.get(`/api/v1/jobs/${DOCK}`).expect(200)).body.job.customer).toBe('Miller');
  const again = await bytesOf(empty, '/api/v1/archive');
  expect(Math.abs(again.length - archive.length)).toBeLessThan(archive.length * 0.02);
});

test('no key to any door is in it, and its tables run nothing', async () => {
  const path = join(folder, 'plain.zip');
  writeFileSync(path, archive);
  const read = await ArchiveFile.open(path);
  const secrets = (await full.owner.query('select secret from device')) as { secret: string | null }[];
  const sessions = (await full.owner.query('select sid from session')) as { sid: string }[];
  const hidden = [...secrets.map(({ secret }) => secret), ...sessions.map(({ sid }) => sid)].filter((text): text is string => Boolean(text));
  expect(hidden.length).toBeGreaterThan(0);
  for (const file of Object.keys(read.manifest.files)) {
    const bytes = await read.bytes(file);
    for (const secret of hidden) expect(bytes.includes(secret)).toBe(false);
  }
  expect((await read.bytes('tables/job.csv')).toString()).toContain(`'=cmd`);
  expect(Object.keys(read.manifest.files)).toEqual(expect.arrayContaining(['schema.json', 'rows/job.jsonl', 'tables/pourEvent.csv']));
  read.close();
});
