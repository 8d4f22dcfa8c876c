import { assemblePlanInput } from '@tufa/contract/assemble';
import type { DocumentMade } from '@tufa/contract/documents';
import { mergeRows } from '@tufa/contract/applyCommand';
import { emptyFirmData } from '@tufa/contract/entities';
import { pourEventsOf } from '@tufa/contract/pourEvents';
import { computePlan } from '@tufa/core/plan';
import { fold } from '@tufa/core/pour';
import { PLAIN } from '@tufa/words';
import { createHash } from 'node:crypto';
import sharp from 'sharp';
import { v7 as uuid } from 'uuid';
import { withFirm } from '../src/data/withFirm';
import { batchRecord } from '../src/documents/batchRecord';
import { careOf } from '../src/documents/careOf';
import { DEMO_FIRM_ID } from '../src/services/firm';
import type { JobParts } from '../src/documents/JobParts';
import { jobDocument } from '../src/documents/jobDocument';
import { method } from '../src/documents/method';
import { openingOf } from '../src/documents/openingOf';
import { command, DOCK, signedIn, SLAB, type TestServer } from './harness';

const PLINTH = '0198a000-de00-7000-8000-0000000000e0';

jest.setTimeout(60_000);

let server: TestServer;
let stop: () => Promise<void>;

beforeAll(async () => {
  ({ server, stop } = await signedIn());
}, 60_000);

afterAll(() => stop());

const make = (job: string, kind: string) => server.request.post(`/api/v1/jobs/${job}/documents`).send({ kind });
const ended = async (id: string): Promise<DocumentMade> => {
  for (;;) {
    const { body } = await server.request.get(`/api/v1/documents/${id}`).expect(200);
    if (body.state !== 'making') return body as DocumentMade;
  }
};

test.each(['offer', 'method', 'batches', 'completion', 'quantities'])(
  'a poured job as %s: made beside the answer, under a number of its own, its bytes as its hash says',
  async (kind) => {
    const { body } = await make(PLINTH, kind).expect(202);
    expect(body).toMatchObject({ kind, state: 'making', number: expect.stringMatching(/^\d{4}-\d{4}$/) });
    const made = await ended(body.id);
    expect(made.state).toBe('done');
    const file = await server.request.get(`/api/v1/documents/${body.id}/file`).expect(200).expect('content-type', 'application/pdf');
    expect(file.body.subarray(0, 5).toString()).toBe('%PDF-');
    expect(createHash('sha256').update(file.body).digest('hex')).toBe(made.sha256);
  },
);

test('numbers run through the firm, what is made stays when it is stopped, and a job tells its own', async () => {
  const first = await make(PLINTH, 'quantities').expect(202);
  const second = await make(DOCK, 'quantities').expect(202);
  expect(Number(second.body.number.slice(5))).toBe(Number(first.body.number.slice(5)) + 1);
  for (const { body } of [first, second]) await ended(body.id);
  const { body } = await server.request.delete(`/api/v1/documents/${first.body.id}`).expect(200);
  expect(body.state).toBe('done');
  const listed = await server.request.get(`/api/v1/jobs/${PLINTH}/documents`).expect(200);
  expect(listed.body.documents.every(({ jobId }: DocumentMade) => jobId === PLINTH)).toBe(true);
  expect(listed.body.documents[0].number).toBe(first.body.number);
});

test('pictures taken again from the same place come in, counted; one that is stopped is not made', async () => {
  const picture = await sharp({ create: { width: 400, height: 300, channels: 3, background: '#776655' } })
    .jpeg()
    .toBuffer();
  const sha256 = createHash('sha256').update(picture).digest('hex');
  const [before, after] = [uuid(), uuid()];
  for (const id of [before, after]) await server.request.put(`/api/v1/photographs/${id}/full`).set('content-type', 'image/jpeg').send(picture).expect(200);
  const fields = { jobId: DOCK, elementId: SLAB, findingId: null, batch: null, sha256, bytes: picture.length, takenAt: '2026-05-12T13:00:00Z', strokes: [] };
  await server.request
    .post('/api/v1/commands')
    .send([command('photograph.add', before, { ...fields, before: null }), command('photograph.add', after, { ...fields, before })])
    .expect(200);
  const { body } = await make(DOCK, 'completion').expect(202);
  expect(body.total).toBe(2);
  const made = await ended(body.id);
  expect(made).toMatchObject({ state: 'done', done: 2 });
  const file = await server.request.get(`/api/v1/documents/${body.id}/file`).expect(200);
  expect(file.body.toString('latin1')).toContain('/Subtype /Image');
  const again = await make(DOCK, 'completion').expect(202);
  const stopped = await server.request.delete(`/api/v1/documents/${again.body.id}`).expect(200);
  expect(['stopped', 'done']).toContain(stopped.body.state);
  if (stopped.body.state === 'stopped')
    expect((await server.request.get(`/api/v1/documents/${again.body.id}/file`).expect(409)).body.code).toBe('documentNotMade');
});

test('a document speaks the language that is asked for, of itself or of whoever makes it, and says that its cautions are unsigned', async () => {
  const parts = await partsFor(PLINTH);
  const [english, spanish] = (['en', 'es'] as const).map((language) =>
    JSON.stringify(
      jobDocument({ kind: 'method', number: '1', at: new Date('2026-05-12T12:00:00Z'), parts: { ...parts, speaker: { ...parts.speaker, language } } }),
    ),
  );
  expect(spanish).toContain('Método de trabajo');
  expect(spanish).toContain('12 may 2026');
  expect(spanish).toContain('sin revisar');
  expect(english).not.toContain('not yet read by somebody');
  await server.request.post(`/api/v1/jobs/${PLINTH}/documents`).send({ kind: 'offer', language: 'es' }).expect(202);
  await server.request.post(`/api/v1/jobs/${PLINTH}/documents`).send({ kind: 'offer', language: 'xx' }).expect(422);
  // What is refused is refused in the asker's language, one command among several too.
  const refused = await server.request.post(`/api/v1/jobs/${PLINTH}/documents`).set('accept-language', 'es-MX,es;q=0.9,en;q=0.5').send({}).expect(422);
  expect(refused.body.title).toBe('Falta kind.');
  const results = await server.request
    .post('/api/v1/commands')
    .set('accept-language', 'es')
    .send([command('job.add', uuid(), { name: '' })])
    .expect(200);
  expect(results.body.results[0].problem.title).toMatch(/^Falta |no debe estar vacío/);
});

test('an offer adds the firm’s tax; every document carries its lines and its picture', async () => {
  const parts = await partsFor(DOCK);
  const [firm] = Object.values(parts.data.firm);
  const settings = { ...firm!.settings, tax: { name: 'Sales tax', share: 0.053 }, letterhead: { lines: 'Licence 0000', logo: uuid() } };
  const data = { ...parts.data, firm: { [firm!.id]: { ...firm!, settings } } };
  const job = { ...parts.job, price_minor: 100_000 };
  const pictures = new Map([[settings.letterhead.logo, 'data:image/jpeg;base64,AAAA']]);
  const said = JSON.stringify(jobDocument({ kind: 'offer', number: '1', at: new Date('2026-05-12T12:00:00Z'), parts: { ...parts, data, job, pictures } }));
  for (const text of ['Sales tax, 5.3\u00a0%: $53.', 'Altogether: $1,053.', 'Licence 0000', 'data:image/jpeg;base64,AAAA']) expect(said).toContain(text);
});

test('a stopped job prints no mix; what is no kind, no job or no document is refused', async () => {
  const { body: job } = await server.request.get(`/api/v1/jobs/${DOCK}`).expect(200);
  const element = job.element[SLAB];
  const stops = { ...element.stops, rust: 'yes' };
  const change = (to: object, base: object) =>
    server.request
      .post('/api/v1/commands')
      .send([command('element.change', SLAB, { stops: to }, { base: { stops: base } })])
      .expect(200);
  await change(stops, element.stops);
  for (const kind of ['offer', 'method']) expect((await make(DOCK, kind).expect(409)).body.code).toBe('stoppedJob');
  expect((await ended((await make(DOCK, 'batches').expect(202)).body.id)).state).toBe('done');
  await make(DOCK, 'poem').expect(422);
  await make(uuid(), 'offer').expect(404);
  await make('x', 'offer').expect(422);
  await server.request.get(`/api/v1/documents/${uuid()}`).expect(404);
  await server.request.get(`/api/v1/documents/${uuid()}/file`).expect(404);
  await change(element.stops, stops);
});

const partsFor = async (jobId: string): Promise<JobParts> => {
  let data = emptyFirmData();
  for (let query = 'since=0'; query !== '';) {
    const { rows, cursor, more, after } = (await server.request.get(`/api/v1/changes?${query}`).expect(200)).body;
    data = mergeRows(data, rows);
    query = more ? `since=${cursor}${after ? `&after=${after}` : ''}` : '';
  }
  const input = assemblePlanInput(data, jobId)!;
  const events = pourEventsOf(data, jobId);
  const speaker = { ...PLAIN, system: input.firm.system, zone: data.job[jobId]!.zone };
  const plan = computePlan(input, { ranked: 'chosen' });
  return { speaker, data, job: data.job[jobId]!, input, plan, events, batches: fold(events), pictures: new Map() };
};

test('what a hand found is told as found, what is only due as due; without its last batch a finding is not done yet', async () => {
  const parts = await partsFor(PLINTH);
  const said = openingOf(parts);
  expect(said).toHaveLength(2);
  expect(said.find((text) => text.includes('foot'))).toMatch(/found ready \w+ \d+, 2026, \d\d:\d\d\./);
  expect(said.find((text) => text.includes('vehicles'))).toMatch(/vehicles from \w+ \d+, 2026/);
  const unready = openingOf({ ...parts, batches: parts.batches.map((state) => ({ ...state, tests: [] })) });
  expect(unready.find((text) => text.includes('foot'))).toMatch(/foot from \w+ \d+, 2026/);
  const [only, ...others] = openingOf({ ...parts, batches: [] });
  expect(only).toContain('not done yet');
  expect(others).toEqual([]);
});

test('water is told as the jug has it; of a resin or a cartridge there is none', async () => {
  const poured = await partsFor(PLINTH);
  const [state] = poured.batches;
  const of = { dry: await partsFor('0198a000-de00-7000-8000-000000000060'), wet: await partsFor(DOCK) };
  const batchIn = ({ plan }: JobParts) => plan.batches.find(({ window }) => window)!;
  const row = ({ input }: JobParts) => ({ ...poured.data.plan[state!.planId]!, input });
  const batches = (['dry', 'wet'] as const).map((planId) => ({ ...state!, batch: batchIn(of[planId]).number, key: batchIn(of[planId]).key, planId }));
  const parts = { ...poured, data: { ...poured.data, plan: { dry: row(of.dry), wet: row(of.wet) } }, events: [], batches };
  const watered = (content: unknown): string[][] =>
    (content as { table?: { body: unknown[][] } }[])
      .flatMap(({ table }) =>
        table ? [table.body.map((line) => line.map((cell) => (typeof cell === 'string' ? cell : String((cell as { text: unknown }).text))))] : [],
      )
      .find(([head]) => head!.some((name) => name.startsWith('Water')))!;
  const record = watered(batchRecord(parts));
  const at = record[0]!.findIndex((head) => head.startsWith('Water'));
  expect(record.slice(1).map((line) => line[at])).toEqual(['', expect.stringMatching(/^\S+( \S+)? (gal|qt|oz)/)]);
  const planned = (from: JobParts): string | undefined =>
    watered(method(from))
      .find(([number]) => number === batchIn(from).number)
      ?.at(-1);
  expect([planned(of.dry), planned(of.wet)]).toEqual(['', record[2]![at]]);
});

test('care is asked for what was repaired: salt where it is walked on in frost, nothing of the floor under water', async () => {
  expect(careOf(await partsFor(PLINTH))).toEqual(['keepOff', 'salt', 'look']);
  const cistern = '0198a000-de00-7000-8000-0000000000c0';
  expect(careOf(await partsFor(cistern))).toEqual(['look']);
});

test('a document whose server was stopped in the middle of it says that it failed, and another is made', async () => {
  const { body } = await make(DOCK, 'quantities').expect(202);
  await ended(body.id);
  await withFirm(server.source, DEMO_FIRM_ID, (tx) =>
    tx.query(`update document set state = 'making', bytes = null, made_at = $1 where id = $2`, [new Date(server.clock.now.getTime() - 900_000), body.id]),
  );
  const stateOf = async () => {
    const listed = await server.request.get(`/api/v1/jobs/${DOCK}/documents`).expect(200);
    return listed.body.documents.find(({ id }: DocumentMade) => id === body.id).state;
  };
  expect(await stateOf()).toBe('failed');
  expect((await ended((await make(DOCK, 'quantities').expect(202)).body.id)).state).toBe('done');
});
