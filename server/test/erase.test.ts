import sharp from 'sharp';
import supertest from 'supertest';
import { v7 as uuid } from 'uuid';
import { DOCK, joinFirm, makeOtherFirm, OWNER, PHONE, PLINTH, sendFrom, signedIn, signInOn, SLAB, SPALL, type TestServer } from './harness';

jest.setTimeout(60_000);

let server: TestServer;
let stop: () => Promise<void>;
const api = '/api/v1';
const by = { device: PHONE, person: OWNER };

beforeAll(async () => {
  ({ server, stop } = await signedIn(null, { person: OWNER }));
}, 60_000);

afterAll(() => stop());

/** Every place of the whole database where some words stand, as table and column. */
async function placesOf(words: readonly string[]): Promise<string[]> {
  const columns = (await server.owner.query(
    `select c.table_name as t, c.column_name as c from information_schema.columns c join information_schema.tables using (table_schema, table_name)
     where table_schema = 'public' and table_type = 'BASE TABLE' and data_type in ('text', 'jsonb', 'json', 'tsvector', 'character varying', 'bytea')`,
  )) as { t: string; c: string }[];
  // The owner of the tables is bound by their row security too; a superuser is not, and no other is here to look at all of them.
  const firms = (await server.owner.query('select firm_id from firm_here')) as { firm_id: string }[];
  const found = new Set<string>();
  for (const { firm_id } of firms)
    await server.owner.transaction(async (tx) => {
      await tx.query(`select set_config('tufa.firm', $1, true)`, [firm_id]);
      for (const { t, c } of columns)
        for (const word of words) {
          const [{ count }] = (await tx.query(`select count(*)::int as count from "${t}" where encode(convert_to("${c}"::text, 'UTF8'), 'escape') ilike $1`, [
            `%${word}%`,
          ])) as [{ count: number }];
          if (count > 0) found.add(`${t}.${c}: ${word}`);
        }
    });
  return [...found];
}

const send = async (kind: string, target: string, change: object, base: object | null = null): Promise<void> => {
  const sent = await sendFrom(server.request, by, kind, target, change, base);
  expect([kind, sent.result, sent.problem?.field]).toEqual([kind, 'done', undefined]);
};

test('a customer is erased: rows, log, search, pictures, letters and documents; what batches took stays', async () => {
  const { body: before } = await server.request.get(`${api}/jobs/${DOCK}`).expect(200);
  await send('job.change', DOCK, { customer: 'Quillfeather', address: '9 Heronwold', accessNote: 'ask for Zebulonia', name: 'Quillfeather dock' }, before.job);
  const twin = uuid();
  const { crew, batch, zone } = before.job;
  await send('job.add', twin, {
    name: 'Their steps',
    customer: 'quillfeather',
    address: '',
    accessNote: '',
    zone,
    pourOn: null,
    crew,
    batch,
    demonstration: false,
  });
  await send('element.change', SLAB, { properties: { ...before.element[SLAB].properties, neighbours: 'the Zebulonia fence' } }, before.element[SLAB]);
  const { kind, outline, properties } = before.finding[SPALL];
  await send('finding.change', SPALL, { kind, outline, properties: { ...properties, note: 'as Zebulonia told us' } }, before.finding[SPALL]);
  const told = { jobId: DOCK, elementId: SLAB, findingId: null, kind: 'acknowledged', at: null, takenAt: '2026-05-12T13:00:00Z', subject: 'wetCement' };
  await send('reading.add', uuid(), { ...told, value: { value: 1, source: 'typed', by: 'Zebulonia of Quillfeather' } });
  await send('careVisit.add', uuid(), { jobId: DOCK, findingId: null, kind: 'look', dueOn: '2026-06-01', doneOn: null, note: 'ring Zebulonia' });
  const picture = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#776655' } })
    .jpeg()
    .toBuffer();
  const photo = uuid();
  await server.request.put(`${api}/photographs/${photo}/full`).set('content-type', 'image/jpeg').send(picture).expect(200);
  const shown = {
    jobId: DOCK,
    elementId: SLAB,
    findingId: null,
    batch: null,
    sha256: 'a'.repeat(64),
    bytes: 10,
    takenAt: '2026-05-12T13:00:00Z',
    strokes: [],
    before: null,
  };
  await send('photograph.add', photo, shown);
  const { body: document } = await server.request.post(`${api}/jobs/${DOCK}/documents`).send({ kind: 'offer' }).expect(202);
  await server.request.get(`${api}/search`).query({ q: 'quillfeather' }).expect(200);
  const words = ['quillfeather', 'heronwold', 'zebulonia'];
  expect((await placesOf(words)).length).toBeGreaterThan(8);
  const { cursor } = (await server.request.get(`${api}/changes?since=0`)).body;

  const { body } = await server.request.post(`${api}/jobs/${DOCK}/erasure`).send({}).expect(200);
  expect(body).toEqual({ jobs: 2, files: 2 });
  expect(await placesOf(words)).toEqual([]);
  await server.request.get(`${api}/photographs/${photo}/full`).expect(404);
  await server.request.get(`${api}/documents/${document.id}/file`).expect(409);
  // Phones hear of every row that changed.
  const { rows } = (await server.request.get(`${api}/changes?since=${cursor}`).expect(200)).body;
  expect(rows.job.map(({ id }: { id: string }) => id).sort()).toEqual([DOCK, twin].sort());
  expect(rows.job[0]).toMatchObject({ customer: '', address: '', accessNote: '', place: null, closedOn: '2026-05-12' });
  expect(rows.photograph).toMatchObject([{ id: photo, removed: true }]);
  const { body: after } = await server.request.get(`${api}/jobs/${DOCK}`).expect(200);
  expect(Object.keys(after.finding).sort()).toEqual(Object.keys(before.finding).sort());
  expect(after.finding[SPALL].properties.deepest).toEqual(before.finding[SPALL].properties.deepest);
  // The log still says who did what when.
  const { lines } = (await server.request.get(`${api}/trail`).expect(200)).body;
  expect(lines.filter(({ kind }: { kind: string }) => kind === 'job.erase')).toHaveLength(2);
  expect(lines.some(({ target, kind }: { target: string; kind: string }) => target === SPALL && kind === 'finding.change')).toBe(true);
});

test('somebody who left is erased by an owner alone; an only owner cannot be, and nothing of another firm', async () => {
  const theirs = await makeOtherFirm(server);
  const joined = await joinFirm(server, theirs, 'Bartholomewski', 'lead');
  await joined.agent.post(`${api}/people/${joined.person}/erasure`).send({}).expect(403);
  await theirs.agent.post(`${api}/people/${uuid()}/erasure`).send({}).expect(404);
  await theirs.agent.post(`${api}/people/${OWNER}/erasure`).send({}).expect(404);
  await theirs.agent.post(`${api}/jobs/${DOCK}/erasure`).send({}).expect(404);
  expect((await theirs.agent.post(`${api}/people/${theirs.owner}/erasure`).send({}).expect(409)).body.code).toBe('lastOwner');
  expect((await placesOf(['bartholomewski'])).length).toBeGreaterThan(1);
  await theirs.agent.post(`${api}/people/${joined.person}/erasure`).send({}).expect(204);
  expect(await placesOf(['bartholomewski'])).toEqual([]);
  await joined.agent.get(`${api}/changes`).expect(401);
  const { rows } = (await theirs.agent.get(`${api}/changes?since=0`).expect(200)).body;
  expect(rows.person.find(({ id }: { id: string }) => id === joined.person)).toMatchObject({ name: '—', removed: true });
});

test('where two are called the same, what the other understood stays under their name', async () => {
  const [gone, stays] = [uuid(), uuid()];
  for (const id of [gone, stays]) await send('person.add', id, { name: 'Namesake', role: 'crew' });
  const acknowledged = async (person: string): Promise<string> => {
    const agent = supertest.agent(server.app);
    const from = { device: await signInOn(agent, uuid(), person), person };
    const target = uuid();
    const value = { value: 1, source: 'typed', by: 'Namesake' };
    const fields = {
      jobId: DOCK,
      elementId: null,
      findingId: null,
      kind: 'acknowledged',
      at: null,
      takenAt: '2026-05-12T13:00:00Z',
      subject: 'wetCement',
      value,
    };
    expect((await sendFrom(agent, from, 'reading.add', target, fields)).result).toBe('done');
    return target;
  };
  const [theirs, others] = [await acknowledged(gone), await acknowledged(stays)];
  await server.request.post(`${api}/people/${gone}/erasure`).send({}).expect(204);
  const { reading } = (await server.request.get(`${api}/jobs/${DOCK}`).expect(200)).body;
  expect([reading[theirs].value.by, reading[others].value.by]).toEqual(['—', 'Namesake']);
});

test('what was logged of a pour loses its notes and keeps its figures, in its plan and its log too', async () => {
  const { body: before } = await server.request.get(`${api}/jobs/${PLINTH}`).expect(200);
  const words = ['wetter than the others', 'hillside'];
  expect(await placesOf(words)).toEqual(expect.arrayContaining(['pour_event.payload: wetter than the others', 'job.customer: hillside']));
  await server.request.post(`${api}/jobs/${PLINTH}/erasure`).send({}).expect(200);
  expect(await placesOf(words)).toEqual([]);
  const { body: after } = await server.request.get(`${api}/jobs/${PLINTH}`).expect(200);
  expect(Object.keys(after.pourEvent).sort()).toEqual(Object.keys(before.pourEvent).sort());
  for (const [id, { kind, batch, deviceAt }] of Object.entries(before.pourEvent as Record<string, { kind: string; batch: string; deviceAt: string }>))
    expect(after.pourEvent[id]).toMatchObject({ kind, batch, deviceAt });
  // It is planned and told as before.
  await server.request.get(`${api}/jobs/${PLINTH}/plan`).expect(200);
  await server.request.get(`${api}/search`).query({ q: 'spall' }).expect(200);
});
