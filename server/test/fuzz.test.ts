import type { AddressInfo } from 'node:net';
import { connect } from 'node:net';
import { fuzzedRequests } from './fuzz';
import { cookiesOf, LEAD, makeDatabase, makeServer, PHONE, type TestDatabase, type TestServer } from './harness';
import { httpServer, type HttpServer } from '../src/http/httpServer';

let server: TestServer;
let database: TestDatabase;
let http: HttpServer;
let base = '';
let cookie = '';

const signIn = async (): Promise<void> => {
  const answer = await fetch(`${base}/api/v1/session`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ personId: LEAD, device: { id: PHONE, label: '' } }),
  });
  cookie = cookiesOf(answer.headers);
};

beforeAll(async () => {
  database = await makeDatabase();
  server = await makeServer(database);
  http = httpServer(server.app);
  await new Promise<void>((done) => http.server.listen(0, '127.0.0.1', done));
  base = `http://127.0.0.1:${(http.server.address() as AddressInfo).port}`;
  await signIn();
}, 60_000);

afterAll(async () => {
  server.endStreams();
  await http.close();
  await server.close();
  await database.drop();
});

/** Two thousand in an ordinary run; `npm run bench:faults` asks for more, from another seed. */
const COUNT = Number(process.env['TUFA_FUZZED'] ?? 2000);
const SEED = Number(process.env['TUFA_FUZZ_SEED'] ?? 20261128);

test('requests that nobody should send: none is answered 500, and each refusal is a problem of ours', async () => {
  const bad: unknown[] = [];
  const seen = new Map<number, number>();
  for (const { method, path, headers, body } of fuzzedRequests(SEED, COUNT)) {
    const asked: Record<string, string> = { cookie, ...headers };
    const answer = await fetch(`${base}${path}`, { method, headers: asked, redirect: 'manual', ...(body === undefined ? {} : { body }) }).catch(
      (error: Error) => error,
    );
    // What is no header at all never leaves.
    if (answer instanceof Error) continue;
    seen.set(answer.status, (seen.get(answer.status) ?? 0) + 1);
    const text = await answer.text();
    const ours = answer.status < 400 || (answer.headers.get('content-type') ?? '').includes('application/problem+json');
    const results = answer.status === 200 && path.startsWith('/api/v1/commands') ? (JSON.parse(text) as { results: { result: string }[] }).results : [];
    const odd = results.some(({ result }) => !['done', 'conflict', 'refused'].includes(result));
    if (answer.status >= 500 || !ours || odd) bad.push([answer.status, method, path, headers, body?.slice(0, 400), text.slice(0, 200)]);
  }
  expect({ seed: SEED, bad }).toEqual({ seed: SEED, bad: [] });
  // It was not all refused at the door.
  expect(seen.get(200) ?? 0).toBeGreaterThan(200);
  expect(seen.get(422) ?? 0).toBeGreaterThan(50);
  expect((await server.request.get('/api/v1/health')).status).toBe(200);
}, 600_000);

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
