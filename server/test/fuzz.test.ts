import { connect, type AddressInfo, type Socket } from 'node:net';
import { v7 as uuid } from 'uuid';
import { fuzzedRequests, type FuzzedRequest } from './fuzz';
import { cookiesOf, LEAD, OWNER, makeDatabase, makeServer, PHONE, type TestDatabase, type TestServer } from './harness';
import { httpServer, type HttpServer } from '../src/http/httpServer';

let server: TestServer;
let database: TestDatabase;
let http: HttpServer;
let base = '';
let cookie = '';
let owners = '';
/** of phones that only listen */
const others: string[] = [];

const signIn = async (personId: string, device: string): Promise<string> => {
  const answer = await fetch(`${base}/api/v1/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ personId, device: { id: device, label: '' } }),
  });
  return cookiesOf(answer.headers);
};

beforeAll(async () => {
  database = await makeDatabase();
  server = await makeServer(database);
  http = httpServer(server.app);
  await new Promise<void>((done) => http.server.listen(0, '127.0.0.1', done));
  base = `http://127.0.0.1:${(http.server.address() as AddressInfo).port}`;
  cookie = await signIn(LEAD, PHONE);
  owners = await signIn(OWNER, uuid());
  for (let i = 0; i < 24; i += 1) others.push(await signIn(LEAD, uuid()));
}, 60_000);

afterAll(async () => {
  server.endStreams();
  await http.close();
  await server.close();
  await database.drop();
}, 60_000);

/** Two thousand in an ordinary run; `npm run bench:faults` asks for more, from another seed. */
const COUNT = Number(process.env['TUFA_FUZZED'] ?? 2000);
/** So many are on their way at once. */
const AT_ONCE = 8;
const SEED = Number(process.env['TUFA_FUZZ_SEED'] ?? 20261128);

test(
  'requests that nobody should send: none is answered 500, and each refusal is a problem of ours',
  async () => {
    const bad: unknown[] = [];
    const seen = new Map<number, number>();
    const send = async ({ method, path, headers, body, owner = false }: FuzzedRequest): Promise<void> => {
      const asked: Record<string, string> = { cookie: owner ? owners : cookie, ...headers };
      const answer = await fetch(`${base}${path}`, { method, headers: asked, redirect: 'manual', ...(body === undefined ? {} : { body }) }).catch(
        (error: Error) => error,
      );
      // What is no header at all never leaves.
      if (answer instanceof Error) return;
      seen.set(answer.status, (seen.get(answer.status) ?? 0) + 1);
      const text = await answer.text();
      const ours = answer.status < 400 || (answer.headers.get('content-type') ?? '').includes('application/problem+json');
      const results = answer.status === 200 && path.startsWith('/api/v1/commands') ? (JSON.parse(text) as { results: { result: string }[] }).results : [];
      const odd = results.some(({ result }) => !['done', 'conflict', 'refused'].includes(result));
      if (answer.status >= 500 || !ours || odd) bad.push([answer.status, method, path, headers, body?.slice(0, 400), text.slice(0, 200)]);
    };
    const all = fuzzedRequests(SEED, COUNT);
    for (let from = 0; from < all.length; from += AT_ONCE) await Promise.all(all.slice(from, from + AT_ONCE).map(send));
    expect({ seed: SEED, bad }).toEqual({ seed: SEED, bad: [] });
    // It was not all refused at the door.
    expect(seen.get(200) ?? 0).toBeGreaterThan(200);
    expect(seen.get(422) ?? 0).toBeGreaterThan(50);
    expect((await server.request.get('/api/v1/health')).status).toBe(200);
  },
  Math.max(600_000, COUNT * 20),
);

test('too much head is refused, and whoever sends slowly keeps nobody waiting', async () => {
  const answer = await fetch(`${base}/api/v1/health`, { headers: { 'x-much': 'x'.repeat(20_000) } });
  expect(answer.status).toBe(400);
  const { port } = http.server.address() as AddressInfo;
  // Two hundred that never end their head.
  const slow = Array.from({ length: 200 }, () =>
    connect(port, '127.0.0.1', function (this: Socket) {
      this.write('GET /api/v1/changes HTTP/1.1\r\nhost: 127.0.0.1\r\nx-a: ');
    }),
  );
  for (const socket of slow) socket.on('error', () => undefined);
  expect((await fetch(`${base}/api/v1/changes?since=0`, { headers: { cookie } })).status).toBe(200);
  slow.forEach((socket) => socket.destroy());
});

test('five hundred streams stand open and the firm is answered beside them; one session has twenty, and is told so', async () => {
  const ended = new AbortController();
  // The answers are kept: fetch ends the stream of an answer that nobody refers to any more.
  const open = (by: string): Promise<Response> => fetch(`${base}/api/v1/news`, { headers: { cookie: by }, signal: ended.signal });
  const streams = await Promise.all([cookie, ...others].flatMap((by) => Array.from({ length: 20 }, () => open(by))));
  expect((await open(cookie)).status).toBe(429);
  expect((await fetch(`${base}/api/v1/changes?since=0`, { headers: { cookie } })).status).toBe(200);
  expect(streams.map(({ status }) => status)).toEqual(Array(500).fill(200));
  ended.abort();
});

test('what is no HTTP at all ends its own connection and nothing else', async () => {
  const { port } = http.server.address() as AddressInfo;
  const said = await new Promise<string>((done) => {
    let text = '';
    const socket = connect(port, '127.0.0.1', () => socket.write('nonsense\r\n\r\n'));
    socket.on('data', (data) => (text += String(data))).on('close', () => done(text));
  });
  expect(said).toMatch(/^HTTP\/1\.1 400/);
  expect((await server.request.get('/api/v1/health')).status).toBe(200);
});
