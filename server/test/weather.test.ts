import type { RequestListener } from 'node:http';
import { v7 as uuid } from 'uuid';
import { weatherService } from '../../stand-ins/src/weather';
import { command, DOCK, signedIn, type TestServer } from './harness';
import { outside } from './outside';

let server: TestServer;
let stop: () => Promise<void>;
/** what the weather service does, as each test has it */
let answer: RequestListener;
let asked = '';

beforeAll(async () => {
  const service = await outside((request, response) => {
    asked = request.url ?? '';
    answer(request, response);
  });
  const signed = await signedIn(service.address);
  server = signed.server;
  stop = async () => {
    await signed.stop();
    service.stop();
  };
}, 60_000);

afterAll(() => stop());

const ask = (query = 'latitude_deg=37.98321&longitude_deg=-78.94765') => server.request.get(`/api/v1/weather?${query}`);

test('eleven days of a place, its coordinates told to a hundredth of a degree, are kept with the job as a row and come to every phone', async () => {
  answer = weatherService(() => server.clock.now.getTime());
  const { body } = await ask().expect(200);
  expect(asked).toContain('latitude=37.98&longitude=-78.95');
  expect(body).toMatchObject({ invented: true, latitude_deg: 37.98, from: '2026-05-09T13:00:00.000Z', hours: { length: 264 } });
  const { made: _made, ...told } = body as { made: string };
  const row = { ...told, jobId: DOCK, takenAt: '2026-05-12T13:00:00.000Z', source: 'service' };
  const [done] = (
    await server.request
      .post('/api/v1/commands')
      .send([command('forecast.add', uuid(), row)])
      .expect(200)
  ).body.results;
  expect(done.result).toBe('done');
  const { body: changes } = await server.request.get('/api/v1/changes?since=2').expect(200);
  expect(changes.rows.forecast[0]).toMatchObject(row);
  const { body: plan } = await server.request.get(`/api/v1/jobs/${DOCK}/plan`).expect(200);
  expect(plan.input.site.weather.hours).toHaveLength(264);
});

test.each([
  ['leads elsewhere', 502, 'weatherUnreachable', (_q, r) => r.writeHead(302, { location: 'http://127.0.0.1:1/' }).end()],
  ['is at its end', 502, 'weatherUnreachable', (_q, r) => r.writeHead(500).end()],
  ['hangs up', 502, 'weatherUnreachable', (_q, r) => r.destroy()],
  ['says something else', 502, 'weatherUnreadable', (_q, r) => r.end('<html>')],
  ['says less than it should', 502, 'weatherUnreadable', (_q, r) => r.end(JSON.stringify({ v: 1, hours: [] }))],
  ['never ends', 502, 'weatherUnreadable', (_q, r) => r.end(`"${'x'.repeat(3_000_000)}"`)],
  [
    'has a hole',
    502,
    'weatherUnreadable',
    (_q, r) =>
      r.end(
        JSON.stringify({
          v: 1,
          latitude_deg: 38,
          longitude_deg: 0,
          made: '2026-05-12T13:00:00Z',
          invented: true,
          hours: ['2026-05-12T09:00Z', '2026-05-13T09:00Z'].map((at) => ({ at, air_C: 9, humidity: 0.5, wind_ms: 1, cloud: 0 })),
        }),
      ),
  ],
] as [string, number, string, RequestListener][])('a service that %s is an answer in words', async (_what, status, code, listener) => {
  answer = listener;
  expect((await ask().expect(status)).body.code).toBe(code);
});

test('a place that is none is refused before anybody is asked', async () => {
  asked = '';
  for (const query of ['', 'latitude_deg=95&longitude_deg=0', 'latitude_deg=north&longitude_deg=0', 'latitude_deg=1&longitude_deg=1&address=http://127.0.0.1/'])
    expect((await ask(query).expect(422)).body.code).toMatch(/^field\./);
  expect(asked).toBe('');
});

test('a server that was told no address says so', async () => {
  const other = await signedIn();
  const { body } = await other.server.request.get('/api/v1/weather?latitude_deg=1&longitude_deg=1').expect(404);
  expect(body.code).toBe('noForecast');
  await other.stop();
}, 60_000);
