import { createHash } from 'node:crypto';
import sharp, { type Sharp } from 'sharp';
import { v7 as uuid } from 'uuid';
import { withStrokes } from '../src/documents/withStrokes';
import { command, DOCK, signedIn, SLAB, type TestServer } from './harness';

let server: TestServer;
let stop: () => Promise<void>;

beforeAll(async () => {
  ({ server, stop } = await signedIn());
}, 60_000);

afterAll(() => stop());

const jpeg = (side: number, more = (image: Sharp): Sharp => image): Promise<Buffer> =>
  more(sharp({ create: { width: side, height: Math.round(side / 2), channels: 3, background: '#776655' } }).jpeg()).toBuffer();
const upload = (id: string, size: string, body: Buffer, type = 'image/jpeg') =>
  server.request.put(`/api/v1/photographs/${id}/${size}`).set('content-type', type).send(body);

test('a picture is kept in both sizes and comes back byte for byte; what is none, too large or tells its place is refused', async () => {
  const id = uuid();
  const full = await jpeg(1600);
  const { body } = await upload(id, 'full', full).expect(200);
  expect(body.sha256).toBe(createHash('sha256').update(full).digest('hex'));
  await upload(id, 'thumb', await jpeg(320)).expect(200);
  // The same again changes nothing.
  await upload(id, 'full', await jpeg(800)).expect(200);
  const back = await server.request.get(`/api/v1/photographs/${id}/full`).expect(200);
  expect(back.body.equals(full)).toBe(true);
  expect((await upload(id, 'thumb', await jpeg(400)).expect(422)).body.code).toBe('pictureTooWide');
  expect((await upload(id, 'full', Buffer.from('no picture')).expect(422)).body.code).toBe('noPicture');
  const placed = await jpeg(200, (image) => image.withExif({ IFD3: { GPSLatitude: '51/1 30/1 0/1' } }));
  expect((await upload(id, 'full', placed).expect(422)).body.code).toBe('pictureTells');
  expect((await upload(id, 'full', Buffer.alloc(600_000)).expect(413)).body.code).toBe('tooLarge');
  expect((await upload('x', 'full', full).expect(422)).body.code).toBe('field.string.guid');
  expect((await upload(id, 'full', full, 'text/plain').expect(415)).body.code).toBe('noPicture');
  await server.request.get(`/api/v1/photographs/${uuid()}/full`).expect(404);
  const fields = {
    jobId: DOCK,
    elementId: SLAB,
    findingId: null,
    batch: null,
    sha256: body.sha256,
    bytes: full.length,
    takenAt: '2026-05-12T13:00:00Z',
    strokes: [],
    before: null,
  };
  expect(
    (
      await server.request
        .post('/api/v1/commands')
        .send([command('photograph.add', id, fields)])
        .expect(200)
    ).body.results[0].result,
  ).toBe('done');
  expect((await server.request.get(`/api/v1/jobs/${DOCK}`).expect(200)).body.photograph[id].sha256).toBe(body.sha256);
});

test('the survey sheet is a document, with its pictures, and of nothing it is a 404', async () => {
  const sheet = await server.request.get(`/api/v1/jobs/${DOCK}/survey.pdf`).expect(200).expect('content-type', 'application/pdf');
  expect(sheet.body.subarray(0, 5).toString()).toBe('%PDF-');
  expect(sheet.body.toString('latin1')).toContain('/Subtype /Image');
  await server.request.get(`/api/v1/jobs/${uuid()}/survey.pdf`).expect(404);
  await server.request.get('/api/v1/jobs/x/survey.pdf').expect(422);
});

test.each([
  ['audio/webm', Buffer.concat([Buffer.from('1a45dfa3', 'hex'), Buffer.alloc(64, 7)])],
  ['audio/mp4', Buffer.concat([Buffer.alloc(4), Buffer.from('ftypM4A '), Buffer.alloc(64, 7)])],
  ['audio/ogg', Buffer.concat([Buffer.from('OggS'), Buffer.alloc(64, 7)])],
])('a voice note as %s is kept and played back as what it is; what is no sound is refused', async (type, voice) => {
  const id = uuid();
  const keep = (body: Buffer) => server.request.put(`/api/v1/letters/${id}`).set('content-type', type).send(body);
  expect((await keep(Buffer.from('no sound')).expect(422)).body.code).toBe('noLetter');
  expect((await keep(Buffer.concat([voice, Buffer.alloc(1_000_000)])).expect(422)).body.code).toBe('noLetter');
  await keep(voice).expect(200);
  const back = await server.request.get(`/api/v1/letters/${id}`).expect(200);
  expect(back.headers['content-type']).toContain(type);
  expect(back.headers['content-disposition']).toBeUndefined();
  expect(Buffer.from(back.body).equals(voice)).toBe(true);
});

test('a letter is kept and comes back to be saved; what is no PDF or too large is refused', async () => {
  const id = uuid();
  const putLetter = (body: Buffer, type = 'application/pdf') => server.request.put(`/api/v1/letters/${id}`).set('content-type', type).send(body);
  const letter = Buffer.from('%PDF-1.4\nHe said it may be filled.\n%%EOF\n');
  await putLetter(letter).expect(200);
  const back = await server.request.get(`/api/v1/letters/${id}`).expect(200);
  expect(back.body.equals(letter)).toBe(true);
  expect(back.headers['content-disposition']).toContain('attachment');
  expect(back.headers['x-content-type-options']).toBe('nosniff');
  for (const broken of ['no letter', '%PDF-1.4 cut off']) expect((await putLetter(Buffer.from(broken)).expect(422)).body.code).toBe('noLetter');
  expect((await putLetter(Buffer.from('')).expect(415)).body.code).toBe('noLetter');
  expect((await putLetter(Buffer.alloc(4_100_000)).expect(413)).body.code).toBe('tooLarge');
  expect((await putLetter(letter, 'text/plain').expect(415)).body.code).toBe('noLetter');
  expect((await upload(id, 'full', letter).expect(422)).body.code).toBe('noPicture');
  await server.request.get(`/api/v1/letters/${uuid()}`).expect(404);
});

test('lines drawn on a picture lie on it in the sheet', async () => {
  const plain = await jpeg(800);
  expect(await withStrokes(plain, [])).toBe(plain);
  const drawn = await withStrokes(plain, [
    [
      [0, 0.5],
      [1, 0.5],
    ],
  ]);
  const at = async (y: number): Promise<number[]> => [...(await sharp(drawn).extract({ left: 400, top: y, width: 1, height: 1 }).raw().toBuffer())];
  const [red, green] = await at(200);
  expect(red! - green!).toBeGreaterThan(70);
  expect(Math.abs((await at(10))[0]! - 0x77)).toBeLessThan(12);
});
