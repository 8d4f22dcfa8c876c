import type { RequestListener } from 'node:http';
import { instrumentService } from '../../stand-ins/src/instruments';
import { signedIn, type TestServer } from './harness';
import { outside } from './outside';

let server: TestServer;
let stop: () => Promise<void>;
/** what the instruments do, as each test has it */
let answer: RequestListener;

beforeAll(async () => {
  const service = await outside((request, response) => answer(request, response));
  const signed = await signedIn(null, { instruments: service.address });
  server = signed.server;
  stop = async () => {
    await signed.stop();
    service.stop();
  };
}, 60_000);

afterAll(() => stop());

const KINDS = ['depthGauge', 'thermometer', 'moistureMeter', 'laserDistance', 'scale'];
const read = (kind: string, id: string) => server.request.get(`/api/v1/instruments/reading?id=${id}&kind=${kind}`);

test('every invented instrument is there, reads within reason, scatters, says when and that it is invented, and its battery falls', async () => {
  answer = instrumentService({ clock: () => server.clock.now.getTime(), fails: 0 });
  const { body } = await server.request.get('/api/v1/instruments').expect(200);
  expect(body.instruments.map(({ kind }: { kind: string }) => kind)).toEqual(KINDS);
  for (const { id, kind, battery } of body.instruments) {
    const [first, second] = [(await read(kind, id).expect(200)).body, (await read(kind, id).expect(200)).body];
    expect(first).toMatchObject({ kind, invented: true, at: '2026-05-12T13:00:00.000Z' });
    expect(first.value).not.toBe(second.value);
    expect(battery).toBe(1);
  }
  const { body: later } = await server.request.get('/api/v1/instruments').expect(200);
  expect(later.instruments.every(({ battery }: { battery: number }) => battery < 1)).toBe(true);
});

test.each([
  ['battery', 'instrumentFlat'],
  ['lost', 'instrumentLost'],
  ['unit', 'instrumentUnit'],
  ['wild', 'instrumentWild'],
])('an instrument that fails by its %s says what to do', async (fault, code) => {
  const service = instrumentService({ fails: 0 });
  answer = (request, response) => {
    request.url = `${request.url}?fault=${fault}`;
    service(request, response);
  };
  const { body } = await read('depthGauge', 'depth').expect(502);
  expect(body.code).toBe(code);
});

test.each([
  ['says something else', 'instrumentUnreadable', (_q, r) => r.end('<html>')],
  ['never ends', 'instrumentUnreadable', (_q, r) => r.end(`"${'x'.repeat(200_000)}"`)],
  ['leads elsewhere', 'instrumentLost', (_q, r) => r.writeHead(302, { location: 'http://127.0.0.1:1/' }).end()],
  [
    'is another than was asked for',
    'instrumentUnreadable',
    (_q, r) => r.end(JSON.stringify({ v: 1, invented: true, id: 'heat', kind: 'thermometer', value: 20, unit: 'C', at: '2026-05-12T13:00:00Z', battery: 1 })),
  ],
] as [string, string, RequestListener][])('one that %s is no instrument', async (_, code, how) => {
  answer = how;
  const { body } = await read('depthGauge', 'depth').expect(502);
  expect(body.code).toBe(code);
});

test('bad questions are refused, and a server without an address has no instruments', async () => {
  await read('hammer', 'depth').expect(422);
  await server.request.get('/api/v1/instruments/reading').expect(422);
  const none = await signedIn();
  expect((await none.server.request.get('/api/v1/instruments').expect(200)).body).toEqual({ instruments: [] });
  expect((await none.server.request.get('/api/v1/instruments/reading?id=depth&kind=depthGauge').expect(404)).body.code).toBe('noInstruments');
  await none.stop();
}, 60_000);
