// Requests that nobody should send: what is right with one thing wrong, and plain garbage, the same for the same seed.
import { COMMAND_KINDS, parts } from '@tufa/contract/commands';
import { SAMPLES } from '@tufa/contract/test/samples';
import fc from 'fast-check';
import { v7 as uuid } from 'uuid';
import { DOORS } from '@tufa/contract/doors';
import { DESCRIBED } from '../src/routes/described';
import { DOCK, LEAD, PHONE, SLAB, SPALL } from './harness';

export interface FuzzedRequest {
  readonly method: 'get' | 'post' | 'put' | 'delete' | 'patch';
  readonly path: string;
  readonly headers: Readonly<Record<string, string>>;
  readonly body: string | undefined;
  /** asked by an owner, who may everything */
  readonly owner?: boolean;
}

/** Whatever is no figure, no word and no id of ours, or nearly is. */
const GARBAGE: readonly unknown[] = [
  null,
  true,
  '',
  ' ',
  '\0',
  'a\0b',
  '\ud800',
  'x'.repeat(5000),
  -1,
  0,
  1e308,
  -1e308,
  0.1,
  9007199254740993,
  'NaN',
  '1; drop table job',
  "' or 1=1 --",
  'toString',
  '__proto__',
  'constructor',
  '../../etc',
  '%00',
  [],
  {},
  [[]],
  [null],
  { toString: 'x' },
  { __proto__: null, a: 1 },
  `[${DOCK}]`,
  `{${DOCK}}`,
  DOCK.replaceAll('-', ':'),
  DOCK.replaceAll('-', ''),
  DOCK.toUpperCase(),
  '2026-13-45T99:99:99Z',
  '0000-00-00',
  '+275760-09-13T00:00:00.001Z',
  Array.from({ length: 3 }, () => 'x'.repeat(100)),
];

const garbage = fc.oneof({ weight: 4, arbitrary: fc.constantFrom(...GARBAGE) }, { weight: 1, arbitrary: fc.jsonValue({ maxDepth: 3 }) });
const ids = fc.oneof(
  { weight: 3, arbitrary: fc.constantFrom(DOCK, SLAB, SPALL, LEAD, PHONE) },
  { weight: 1, arbitrary: fc.constantFrom('x', `[${DOCK}]`, '%00', '..', 'a%2Fb') },
);

type Tree = Record<string, unknown>;
const isTree = (value: unknown): value is Tree => typeof value === 'object' && value !== null;

/** Every place of a value, as its keys. */
const placesOf = (value: unknown, at: readonly string[] = []): string[][] => [
  [...at],
  ...(isTree(value) ? Object.entries(value).flatMap(([key, part]) => placesOf(part, [...at, key])) : []),
];

/** The same with something else at one place, or with nothing there. */
function withAt(whole: unknown, place: readonly string[], other: unknown): unknown {
  const [key, ...rest] = place;
  if (key === undefined) return other;
  const copy: Tree | unknown[] = Array.isArray(whole) ? [...(whole as unknown[])] : { ...(whole as Tree) };
  if (rest.length === 0 && other === undefined) delete (copy as Tree)[key];
  else (copy as Tree)[key] = withAt((copy as Tree)[key], rest, other);
  return copy;
}

/** A command that is right, then wrong in one to three places, in its envelope, its base or its change. */
const command = fc
  .record({
    kind: fc.constantFrom(...COMMAND_KINDS, 'toString.add', '__proto__.add', 'person.add', 'job.toString', 'job', '.'),
    target: ids,
    seq: fc.nat(),
    wrong: fc.array(fc.record({ place: fc.nat(), value: fc.option(garbage, { nil: undefined }) }), { minLength: 0, maxLength: 3 }),
  })
  .map(({ kind, target, seq, wrong }) => {
    const sample = (SAMPLES as Readonly<Record<string, { good: object } | undefined>>)[parts(kind as never).name]?.good ?? {};
    const change = {
      ...(structuredClone(sample) as Tree),
      ...('jobId' in sample ? { jobId: DOCK } : {}),
      ...('elementId' in sample ? { elementId: SLAB } : {}),
    };
    const right: unknown = { id: uuid(), v: 1, device: PHONE, seq, person: LEAD, madeAt: '2026-05-12T13:00:00Z', kind, target, base: null, change };
    return wrong.reduce((made, { place, value }) => {
      const places = placesOf(made);
      return withAt(made, places[place % places.length]!, value);
    }, right);
  });

const COMMANDS = '/api/v1/commands';
const asJson = { 'content-type': 'application/json' };

const commands: fc.Arbitrary<FuzzedRequest> = fc
  .record({
    all: fc.oneof(fc.array(command, { minLength: 1, maxLength: 3 }), garbage),
    seen: fc.option(fc.constantFrom('"1"', '"2"', '1', 'W/"1"', '*', '""'), { nil: undefined }),
  })
  .map(({ all, seen }) => ({ method: 'post', path: COMMANDS, headers: { ...asJson, ...(seen ? { 'if-match': seen } : {}) }, body: JSON.stringify(all) }));

/** Bodies that are no JSON, or none, or of another kind. */
const bodies: fc.Arbitrary<FuzzedRequest> = fc
  .record({
    path: fc.constantFrom(COMMANDS, '/api/v1/session'),
    body: fc.oneof(
      fc.string({ unit: 'binary', maxLength: 200 }),
      fc.constantFrom('', '[', '{"a":', '[1e400]', '"x"', 'null', `${'['.repeat(20_000)}${']'.repeat(20_000)}`),
    ),
    type: fc.constantFrom('application/json', 'application/json; charset=utf-7', 'text/plain', 'application/xml', 'multipart/form-data', ''),
    encoding: fc.constantFrom('', '', '', 'gzip', 'br', 'x'),
  })
  .map(({ path, body, type, encoding }) => ({
    method: 'post',
    path,
    headers: { ...(type ? { 'content-type': type } : {}), ...(encoding ? { 'content-encoding': encoding } : {}) },
    body,
  }));

const signIns: fc.Arbitrary<FuzzedRequest> = fc
  .record({
    personId: fc.oneof(ids, garbage),
    device: fc.oneof(fc.record({ id: fc.oneof(ids, garbage), label: fc.oneof(fc.constant('phone'), garbage) }), garbage),
    cookie: fc.constantFrom('elsewhere=1', 'tufa-device=x', 'tufa-device=j%3A%7B%22a%22%3A1%7D', 'tufa-device='),
  })
  .map(({ cookie, ...body }) => ({
    method: 'post',
    path: '/api/v1/session',
    // From elsewhere: one that succeeds would end the session in which the rest are asked.
    headers: { ...asJson, cookie },
    body: JSON.stringify(body),
  }));

const query = fc.oneof(
  fc.constantFrom(
    '',
    '?since=0',
    '?since=-1',
    '?since=1e99',
    '?since=9999999999999999999',
    '?since=a&since=b',
    '?since[]=1',
    '?after=x',
    `?after=[${DOCK}]`,
    '?limit=0',
    '?limit=1e9',
    '?%00=%00',
    '?since=%E0%A4%A',
  ),
  fc.string({ maxLength: 20 }).map((text) => `?${encodeURIComponent(text)}`),
);
const reads: fc.Arbitrary<FuzzedRequest> = fc
  .record({
    path: fc.oneof(
      fc.constantFrom(
        '/api/v1/changes',
        '/api/v1/jobs',
        '/api/v1/people',
        '/api/v1/session',
        '/api/v1/health',
        '/api/v1/nothing',
        '/api',
        '/',
        '/%E0%A4%A',
        '/x.js',
        '/..%2f..%2fetc',
      ),
      ids.map((id) => `/api/v1/jobs/${id}`),
      ids.map((id) => `/api/v1/jobs/${id}/survey`),
      ids.map((id) => `/api/v1/photographs/${id}/thumb`),
      ids.map((id) => `/api/v1/photographs/${id}/wide`),
      ids.map((id) => `/api/v1/letters/${id}`),
      fc.string({ maxLength: 30 }).map((text) => `/api/v1/${encodeURIComponent(text)}`),
    ),
    query,
    method: fc.constantFrom('get', 'get', 'get', 'put', 'patch', 'post') as fc.Arbitrary<FuzzedRequest['method']>,
    headers: fc.constantFrom(
      {},
      { accept: 'x' },
      { 'if-none-match': '"' },
      { range: 'bytes=9-1' },
      { cookie: 'tufa=s%3A%00.x' },
      { cookie: 'tufa=j%3A{' },
      { cookie: 'tufa-device=j%3A{%00' },
      { 'accept-encoding': '\u00ff' },
    ),
  })
  .map(({ path, query: asked, ...rest }) => ({ ...rest, path: `${path}${asked}`, body: undefined }));

const uploads: fc.Arbitrary<FuzzedRequest> = fc
  .record({
    id: ids,
    at: fc.constantFrom('photographs', 'letters'),
    size: fc.constantFrom('/full', '/thumb', ''),
    type: fc.constantFrom('image/jpeg', 'application/pdf', 'text/plain'),
    body: fc.constantFrom('', '%PDF-', '%PDF-1.4 %%EOF', '\u00ff\u00d8\u00ff', 'x'.repeat(1000)),
  })
  .map(({ id, at, size, type, body }) => ({ method: 'put', path: `/api/v1/${at}/${id}${size}`, headers: { 'content-type': type }, body }));

/** What takes long, ends the session that asks, or stays open is not asked by chance. */
const LEFT_OUT = ['get /archive', 'get /news', 'delete /session', 'post /session/last', 'post /session/wiped'];
const ROUTES = DESCRIBED.filter(({ method, path }) => !LEFT_OUT.includes(`${method} ${path}`));

/** Every path of the API, asked by an owner for what is nobody's, its body right or wrong in any place. */
const everyPath: fc.Arbitrary<FuzzedRequest> = fc
  .record({
    route: fc.constantFrom(...ROUTES),
    ids: fc.array(
      fc.oneof(
        { weight: 3, arbitrary: fc.uuid() },
        { weight: 2, arbitrary: fc.constantFrom('x', '%00', '..', 'a%2Fb', `[${DOCK}]`, '__proto__', 'a'.repeat(400)) },
      ),
      {
        minLength: 3,
        maxLength: 3,
      },
    ),
    asked: query,
    body: fc.oneof(
      garbage,
      fc.dictionary(
        fc.constantFrom(...Object.keys(DOORS), 'kind', 'language', 'token', 'device', 'days', 'unsent', 'code', 'passphrase', 'former', 'response', 'label'),
        garbage,
      ),
    ),
  })
  .map(({ route: { method, path, body: takes }, ids: given, asked, body }) => {
    let next = 0;
    const bytes = takes && 'bytes' in takes ? takes.bytes[0] : undefined;
    return {
      method,
      path: `/api/v1${path.replace(/:\w+/g, () => given[next++ % given.length]!)}${asked}`,
      headers: method === 'get' ? {} : bytes ? { 'content-type': bytes } : asJson,
      body: method === 'get' ? undefined : JSON.stringify(body),
      owner: true,
    };
  });

/** So many requests, the same for the same seed. */
export const fuzzedRequests = (seed: number, count: number): FuzzedRequest[] =>
  fc.sample(
    fc.oneof(
      { weight: 6, arbitrary: commands },
      { weight: 2, arbitrary: bodies },
      { weight: 1, arbitrary: signIns },
      { weight: 3, arbitrary: reads },
      { weight: 1, arbitrary: uploads },
      { weight: 3, arbitrary: everyPath },
    ),
    { seed, numRuns: count },
  );
