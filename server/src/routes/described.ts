import type { DOORS } from '@tufa/contract/doors';

/** What is said of one path of the API: a test holds the table against the routes of the running server, both ways. */
export interface Described {
  readonly method: 'get' | 'post' | 'put' | 'delete';
  /** as Express writes it */
  readonly path: string;
  /** what it answers when all is well, and what may stand against it */
  readonly answers: readonly number[];
  /** names in the query with the kind of figure or text they are */
  readonly query?: Readonly<Record<string, 'integer' | 'number' | 'uuid' | 'string' | 'boolean'>>;
  readonly required?: readonly string[];
  /** what it takes: a schema by name, or bytes by their kind */
  readonly body?: { readonly schema: 'command' | 'documentAsked' | keyof typeof DOORS } | { readonly bytes: readonly string[] };
  /** what it gives beside JSON */
  readonly gives?: string;
  /** the schema of what it gives, by name */
  readonly schema?: 'planInput';
}

const JPEG = 'image/jpeg';
const PDF = 'application/pdf';
const ZIP = 'application/zip';

/** Every path of the API. */
export const DESCRIBED: readonly Described[] = [
  { method: 'get', path: '/health', answers: [200] },
  { method: 'get', path: '/ready', answers: [200, 503] },
  { method: 'get', path: '/metrics', answers: [200, 404], gives: 'text/plain' },
  { method: 'get', path: '/openapi.json', answers: [200] },
  { method: 'get', path: '/people', answers: [200] },
  { method: 'post', path: '/session', answers: [201, 403, 422, 429], body: { schema: 'signIn' } },
  { method: 'post', path: '/session/passphrase', answers: [201, 401, 403, 422, 429], body: { schema: 'byPassphrase' } },
  { method: 'post', path: '/session/recovery', answers: [201, 401, 403, 422, 429], body: { schema: 'byRecovery' } },
  { method: 'post', path: '/session/invitation', answers: [201, 404, 409, 422, 429], body: { schema: 'byInvitation' } },
  { method: 'post', path: '/session/passkey/options', answers: [200, 409, 429] },
  { method: 'post', path: '/session/passkey', answers: [201, 401, 403, 409, 422, 429], body: { schema: 'byPasskey' } },
  { method: 'post', path: '/invitations/look', answers: [200, 404, 422, 429], body: { schema: 'invitation' } },
  { method: 'post', path: '/firms', answers: [201, 401, 422, 429], body: { schema: 'firm' } },
  { method: 'post', path: '/session/last', answers: [204, 403, 429] },
  { method: 'post', path: '/session/wiped', answers: [204, 401, 429] },
  { method: 'get', path: '/session', answers: [200, 401, 403] },
  { method: 'delete', path: '/session', answers: [204] },
  { method: 'post', path: '/commands', answers: [200, 401, 403, 412, 422], body: { schema: 'command' } },
  { method: 'get', path: '/changes', answers: [200, 401, 422], query: { since: 'integer', after: 'uuid', closedBefore: 'string', back: 'string' } },
  { method: 'get', path: '/news', answers: [200, 401, 429], gives: 'text/event-stream' },
  { method: 'get', path: '/jobs', answers: [200, 401, 422] },
  { method: 'get', path: '/jobs/:job', answers: [200, 401, 404, 422] },
  { method: 'get', path: '/jobs/:job/plan', answers: [200, 401, 404, 422], schema: 'planInput' },
  { method: 'get', path: '/jobs/:job/survey.pdf', answers: [200, 401, 404, 422], gives: PDF },
  { method: 'get', path: '/jobs/:job/documents', answers: [200, 401, 422] },
  { method: 'post', path: '/jobs/:job/documents', answers: [202, 401, 403, 404, 409, 422], body: { schema: 'documentAsked' } },
  { method: 'get', path: '/documents/:document', answers: [200, 401, 404, 422] },
  { method: 'delete', path: '/documents/:document', answers: [200, 401, 403, 404, 422] },
  { method: 'get', path: '/documents/:document/file', answers: [200, 401, 404, 409, 422], gives: PDF },
  { method: 'put', path: '/photographs/:photograph/:size', answers: [200, 401, 403, 413, 415, 422], body: { bytes: [JPEG] } },
  { method: 'get', path: '/photographs/:photograph/:size', answers: [200, 401, 404, 422], gives: JPEG },
  { method: 'put', path: '/letters/:letter', answers: [200, 401, 403, 413, 415, 422], body: { bytes: [PDF, 'audio/*'] } },
  { method: 'get', path: '/letters/:letter', answers: [200, 401, 404, 422], gives: 'application/octet-stream' },
  {
    method: 'get',
    path: '/search',
    answers: [200, 401, 422],
    query: { q: 'string', kind: 'string', place: 'string', product: 'string', weather: 'string', year: 'integer', lost: 'boolean' },
  },
  { method: 'get', path: '/doors', answers: [200, 401, 403] },
  { method: 'get', path: '/doors/mine', answers: [200, 401] },
  { method: 'post', path: '/people/:person/invitation', answers: [201, 401, 403, 404, 422] },
  { method: 'delete', path: '/people/:person/sessions', answers: [204, 401, 403, 404, 422] },
  { method: 'post', path: '/devices/:device/shut', answers: [204, 401, 403, 404, 422], body: { schema: 'shut' } },
  { method: 'delete', path: '/devices/:device/shut', answers: [204, 401, 403, 404, 422] },
  { method: 'put', path: '/passphrase', answers: [204, 401, 403, 422, 429], body: { schema: 'newPassphrase' } },
  { method: 'post', path: '/recovery-codes', answers: [201, 401, 403] },
  { method: 'post', path: '/passkeys/options', answers: [200, 401, 409] },
  { method: 'post', path: '/passkeys', answers: [201, 401, 409, 422], body: { schema: 'passkey' } },
  { method: 'delete', path: '/passkeys/:passkey', answers: [204, 401, 404, 422] },
  { method: 'post', path: '/people/:person/erasure', answers: [204, 401, 403, 404, 409, 422] },
  { method: 'post', path: '/jobs/:job/erasure', answers: [200, 401, 403, 404, 422] },
  { method: 'get', path: '/trail', answers: [200, 401, 403, 422], query: { before: 'string', most: 'integer' } },
  { method: 'post', path: '/documents/:document/link', answers: [201, 401, 403, 404, 422], body: { schema: 'link' } },
  { method: 'delete', path: '/documents/:document/link', answers: [204, 401, 403, 422] },
  { method: 'get', path: '/shown/:token', answers: [200, 404, 422, 429], gives: PDF },
  { method: 'get', path: '/trends', answers: [200, 401] },
  { method: 'get', path: '/archive', answers: [200, 401, 403], gives: ZIP },
  { method: 'put', path: '/archive', answers: [200, 401, 403, 409, 413, 415, 422], body: { bytes: [ZIP] } },
  { method: 'get', path: '/instruments', answers: [200, 401, 502] },
  { method: 'get', path: '/instruments/reading', answers: [200, 401, 404, 422, 502], query: { id: 'string', kind: 'string' }, required: ['id', 'kind'] },
  {
    method: 'get',
    path: '/weather',
    answers: [200, 401, 404, 422, 502],
    query: { latitude_deg: 'number', longitude_deg: 'number' },
    required: ['latitude_deg', 'longitude_deg'],
  },
];
