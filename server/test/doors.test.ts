import { SAMPLES } from '@tufa/contract/test/samples';
import type { AddressInfo } from 'node:net';
import { pino } from 'pino';
import supertest from 'supertest';
import { v7 as uuid } from 'uuid';
import { catalogue } from '@tufa/core/shelf/catalogue';
import { makeApp } from '../src/app';
import { connect } from '../src/data/connect';
import { withFirm } from '../src/data/withFirm';
import { httpServer } from '../src/http/httpServer';
import { hostsOf, SECRET } from '../src/serve';
import { command, DOCK, LEAD, MIXER, PHONE, signedIn, signInOn, SLAB, SPALL, type TestDatabase, type TestServer } from './harness';

let server: TestServer;
let database: TestDatabase;
let stop: () => Promise<void>;

const OUR_FIRM = '0198a000-f1f0-7000-8000-000000000001';
const OTHER_FIRM = '0198a000-f1f0-7000-8000-0000000000fe';
const THEIR_JOB = uuid();

beforeAll(async () => {
  ({ server, database, stop } = await signedIn());
  const [ours] = await withFirm(server.owner, OUR_FIRM, (tx) => tx.query('select f.settings, to_jsonb(j) as job from firm f, job j where j.id = $1', [DOCK]));
  await withFirm(server.owner, OTHER_FIRM, async (tx) => {
    await tx.query(
      `insert into firm (id, firm_id, name, settings, change_counter, version, changed, removed, setters) values ($1, $1, 'Another', $2, 0, 1, 0, false, '{}')`,
      [OTHER_FIRM, ours.settings],
    );
    await tx.query('insert into job select * from jsonb_populate_record(null::job, $1)', [{ ...ours.job, id: THEIR_JOB, firm_id: OTHER_FIRM }]);
    expect(await tx.query('select id from job')).toEqual([{ id: THEIR_JOB }]);
  });
}, 60_000);

afterAll(() => stop());

const post = (...commands: object[]) => server.request.post('/api/v1/commands').send(commands);
const job = async () => (await server.request.get(`/api/v1/jobs/${DOCK}`).expect(200)).body.job as { version: number; accessNote: string };
const signInAs = (agent: ReturnType<typeof supertest.agent>) => agent.post('/api/v1/session').send({ personId: LEAD, device: { id: PHONE, label: '' } });

const sessionOf = (answer: supertest.Response): string =>
  [answer.get('set-cookie') ?? []]
    .flat()
    .find((cookie) => cookie.startsWith('tufa='))
    ?.split(';')[0] ?? '';

test.each(['evil.example', 'evil.example:8420', '127.0.0.1.evil.example', ''])('asked under the name %j it answers with a problem', async (host) => {
  const answer = await supertest(server.app).get('/api/v1/people').set('host', host);
  expect([answer.status, answer.body.code, answer.headers['content-type']]).toEqual([421, 'unknownHost', expect.stringContaining('application/problem+json')]);
});

test.each(['localhost:8420', '127.0.0.1', '[::1]:1'])('asked as %s it answers', async (host) => {
  await supertest(server.app).get('/api/v1/people').set('host', host).expect(200);
});

test('whoever signs in begins a session of their own: the one before is over', async () => {
  const agent = supertest.agent(server.app);
  const cookie = async (): Promise<string> => sessionOf(await signInAs(agent).expect(201));
  const [first, second] = [await cookie(), await cookie()];
  expect(first).not.toBe(second);
  await supertest(server.app).get('/api/v1/changes').set('cookie', first).expect(401);
  await supertest(server.app).get('/api/v1/changes').set('cookie', second).expect(200);
});

test('outside the API an address that is not there, and a way of asking that there is not, are problems too', async () => {
  for (const [method, path] of [
    ['post', '/'],
    ['delete', '/jobs'],
    ['get', '/nothing.js'],
    ['get', '/api/v2/x'],
  ] as const) {
    const answer = await supertest(server.app)[method](path);
    expect([path, answer.status, answer.headers['content-type']]).toEqual([path, 404, expect.stringContaining('application/problem+json')]);
  }
});

test('a repeat gives its stored result, whatever version it names and whatever came after', async () => {
  const { version } = await job();
  const first = command('job.change', DOCK, { accessNote: 'seen' }, { base: { accessNote: (await job()).accessNote } });
  const once = await post(first).set('if-match', `"${version}"`).expect(200);
  expect(once.body.results).toEqual([{ id: first.id, result: 'done', version: version + 1 }]);
  const again = await post(first).set('if-match', `"${version}"`).expect(200);
  expect(again.body).toEqual(once.body);
  const stale = await post(command('job.change', DOCK, { accessNote: 'late' }, { base: {} })).set('if-match', `"${version}"`);
  expect([stale.status, stale.body.figures.theirs.accessNote]).toEqual([412, 'seen']);
  expect((await job()).accessNote).toBe('seen');
});

test.each([
  ['the change', { change: { accessNote: 'a\u0000b' } }, 'change.accessNote'],
  ['the base', { base: { accessNote: 'a\u0000b' } }, 'base.accessNote'],
  ['half a character', { change: { accessNote: 'a\ud800' } }, 'change.accessNote'],
] as const)('a character that cannot be kept, in %s, is refused by its own command while the rest go on', async (_, more, field) => {
  const good = command('job.change', DOCK, { address: 'Yard' }, { base: {} });
  const { body } = await post(command('job.change', DOCK, { accessNote: 'x' }, more), good).expect(200);
  expect(body.results[0]).toMatchObject({ result: 'refused', problem: { status: 422, code: 'field.string.unkept', field } });
  expect(body.results[1].id).toBe(good.id);
});

test('a command comes from its session’s own device and from somebody who has signed in there, else it is refused', async () => {
  const phone = supertest.agent(server.app);
  const device = await signInOn(phone, uuid(), MIXER);
  const say = async (kind: string, change: object, more: object) =>
    (
      await phone
        .post('/api/v1/commands')
        .send([command(kind, kind === 'job.change' ? DOCK : uuid(), change, more)])
        .expect(200)
    ).body.results[0];
  const read = (more: object) => say('reading.add', { ...SAMPLES.reading.good, jobId: DOCK, elementId: SLAB, findingId: null }, more);
  expect(await read({ device: PHONE, person: MIXER })).toMatchObject({ result: 'refused', problem: { code: 'notThisDevice', field: 'device' } });
  expect(await read({ device, person: LEAD })).toMatchObject({ result: 'refused', problem: { code: 'notSignedInHere', field: 'person' } });
  const { good: event } = SAMPLES.pourEvent;
  const told = (more: object) => say('pourEvent.add', { ...event, device, person: MIXER, ...more }, { device, person: MIXER });
  expect(await told({ person: LEAD })).toMatchObject({ result: 'refused', problem: { code: 'notSignedInHere', field: 'change.person' } });
  expect(await told({ device: PHONE })).toMatchObject({ result: 'refused', problem: { code: 'notThisDevice', field: 'change.device' } });
  const plan = (person: string, accessNote: string) => say('job.change', { accessNote }, { device, person, base: {} });
  expect(await plan(MIXER, 'crew')).toMatchObject({ result: 'refused', problem: { code: 'notAllowed', figures: { least: 'lead' } } });
  // It changes hands: what the mixer made goes with what the lead makes, and the mixer borrows nothing of the lead's.
  expect(await signInOn(phone, device, LEAD)).toBe(device);
  expect(await plan(LEAD, 'lead')).not.toMatchObject({ result: 'refused' });
  expect(await read({ device, person: MIXER })).toMatchObject({ result: 'done' });
  expect(await signInOn(phone, device, MIXER)).toBe(device);
  expect(await plan(LEAD, 'borrowed')).toMatchObject({ result: 'refused', problem: { code: 'notSignedInHere' } });
});

test('a device is known by its cookie and by nothing that it says', async () => {
  const phone = supertest.agent(server.app);
  const id = uuid();
  expect(await signInOn(phone, id)).toBe(id);
  expect(await signInOn(phone, uuid())).toBe(id);
  const stranger = supertest.agent(server.app);
  const given = await signInOn(stranger, id);
  expect(given).not.toBe(id);
  expect((await stranger.get('/api/v1/session').expect(200)).body.device).toBe(given);
  for (const cookie of ['tufa-device=guessed', 'tufa-device=', 'tufa-device=j%3A%7B%22a%22%3A1%7D']) {
    const forged = await supertest(server.app)
      .post('/api/v1/session')
      .set('cookie', cookie)
      .send({ personId: LEAD, device: { id, label: '' } });
    expect([cookie, forged.status, forged.body.device === id]).toEqual([cookie, 201, false]);
  }
});

test('what is nested without end is refused', async () => {
  const nested = (depth: number): object => JSON.parse(`${'{"a":'.repeat(depth)}1${'}'.repeat(depth)}`) as object;
  const { body } = await post(command('job.change', DOCK, { accessNote: 'x' }, { base: nested(100) })).expect(200);
  expect(body.results[0]).toMatchObject({ result: 'refused', problem: { code: 'field.object.deep' } });
  const deeper = await post(command('job.change', DOCK, { accessNote: 'x' }, { base: nested(5000) }));
  expect([deeper.status, deeper.headers['content-type']]).toEqual([400, expect.stringContaining('application/problem+json')]);
});

test.each([
  ['an element', 'element.add', { ...SAMPLES.element.good, jobId: THEIR_JOB }],
  ['a reading', 'reading.add', { ...SAMPLES.reading.good, jobId: THEIR_JOB, elementId: null, findingId: null }],
  ['a finding of ours', 'finding.add', { ...SAMPLES.finding.good, jobId: THEIR_JOB, elementId: SLAB }],
] as const)('%s that names another firm’s job is answered as if there were none', async (_, kind, change) => {
  const theirs = (await post(command(kind, uuid(), change)).expect(200)).body.results[0];
  const nobodys = (await post(command(kind, uuid(), { ...change, jobId: uuid() })).expect(200)).body.results[0];
  expect(theirs).toMatchObject({ result: 'refused', problem: { status: 422, code: 'refersToUnknown', field: 'change.jobId' } });
  expect({ ...theirs, id: '' }).toEqual({ ...nobodys, id: '' });
});

test.each([
  ['a layer', { layers: [{ code: 'overlay', sheetId: uuid(), thickness_m: 0.01 }] }, 'change.layers.0.sheetId'],
  ['what bonds', { bond: uuid() }, 'change.bond'],
  ['what cures', { cure: uuid() }, 'change.cure'],
] as const)('%s of a treatment that names a sheet the firm does not have is refused by its place', async (_, more, field) => {
  const change = { ...SAMPLES.treatment.good, jobId: DOCK, findingId: SPALL, sheetId: catalogue[0]!.id, ...more };
  const [result] = (await post(command('treatment.add', uuid(), change)).expect(200)).body.results;
  expect(result).toMatchObject({ result: 'refused', problem: { code: 'refersToUnknown', field } });
});

test('bytes sent under an id that another firm uses are kept for this firm', async () => {
  const letter = uuid();
  const theirs = Buffer.from('%PDF-1.4 theirs %%EOF');
  await withFirm(server.owner, OTHER_FIRM, (tx) =>
    tx.query('insert into letter_file (letter_id, firm_id, bytes) values ($1, $2, $3)', [letter, OTHER_FIRM, theirs]),
  );
  await server.request.get(`/api/v1/letters/${letter}`).expect(404);
  const ours = '%PDF-1.4 ours %%EOF';
  await server.request.put(`/api/v1/letters/${letter}`).set('content-type', 'application/pdf').send(ours).expect(200);
  expect(String((await server.request.get(`/api/v1/letters/${letter}`).expect(200)).body)).toBe(ours);
});

test('another firm’s job is not there, and nothing of it changes', async () => {
  await server.request.get(`/api/v1/jobs/${THEIR_JOB}`).expect(404);
  const [result] = (await post(command('job.change', THEIR_JOB, { accessNote: 'mine' }, { base: {} })).expect(200)).body.results;
  expect(result).toMatchObject({ result: 'refused', problem: { code: 'notFound' } });
});

test('a session’s cookie is in no line of the log, in neither direction', async () => {
  const lines: string[] = [];
  const log = pino({ level: 'debug', redact: [...SECRET] }, { write: (text: string) => void lines.push(text) });
  const { close, ...connections } = await connect({ url: database.url, log });
  const app = makeApp({
    ...connections,
    demonstration: true,
    tries: { count: () => Promise.resolve(), forget: () => Promise.resolve() },
    secure: () => false,
    ready: () => true,
    metricsToken: null,
    clock: () => new Date(),
    log,
    secret: 'test',
    web: null,
    weather: null,
    instruments: null,
    hosts: hostsOf(),
    proxied: false,
  });
  const agent = supertest.agent(app);
  const answer = await signInAs(agent).expect(201);
  await agent.get('/api/v1/changes').expect(200);
  await close();
  const values = [sessionOf(answer), ...(answer.get('set-cookie') ?? [])].map((text) => /=([^;]{20,})/.exec(text)?.[1]);
  expect(values).toEqual(Array(3).fill(expect.any(String)));
  expect(lines.filter((line) => line.includes('request completed'))).toHaveLength(2);
  expect(lines.filter((line) => values.some((value) => line.includes(String(value))))).toEqual([]);
});

test('its figures are told to this machine alone, by path and without an id; it says that it is ready', async () => {
  await server.request.get(`/api/v1/jobs/${DOCK}`).expect(200);
  const { text } = await supertest(server.app).get('/api/v1/metrics').expect(200);
  expect(text).toMatch(/tufa_request_seconds_count\{method="GET",path="\/api\/v1\/jobs\/:job",status="200"\} \d+/);
  expect(text).not.toContain(DOCK);
  await supertest(server.app).get('/api/v1/metrics').set('x-forwarded-for', '10.0.0.1').expect(404);
  await supertest(server.app).get('/api/v1/ready').expect(200);
});

test('a server that stops waits for what is in hand, also where nobody waits for the answer any more', async () => {
  let finish = (): void => undefined;
  let come = (): void => undefined;
  const arrived = new Promise<void>((done) => (come = done));
  const { server: http, close } = httpServer((_request, response) => {
    finish = () => response.end('done');
    come();
  });
  await new Promise<void>((done) => http.listen(0, '127.0.0.1', done));
  const leaving = new AbortController();
  const answer = fetch(`http://127.0.0.1:${(http.address() as AddressInfo).port}`, { signal: leaving.signal }).catch(() => 'left');
  await arrived;
  leaving.abort();
  expect(await answer).toBe('left');
  let closed = false;
  const closing = close().then(() => (closed = true));
  await new Promise((turn) => setImmediate(turn));
  expect(closed).toBe(false);
  finish();
  await closing;
  expect(closed).toBe(true);
});
