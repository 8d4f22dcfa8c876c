import { commandSchema } from '@tufa/contract/commands';
import { DOORS } from '@tufa/contract/doors';
import { DOCUMENT_KINDS } from '@tufa/contract/documents';
import { SPOKEN } from '@tufa/contract/languages';
import { FIELDS, planInput } from '@tufa/contract/schemas';
import { Router } from 'express';
import { PHOTO_SIZES } from '../entities/PhotographFile';
import { DESCRIBED, type Described } from './described';

const PROBLEM = { description: 'problem+json (RFC 9457)', content: { 'application/problem+json': { schema: { type: 'object' } } } };

const json = (schema: object): object => ({ 'application/json': { schema } });
const named = (name: string): object => ({ $ref: `#/components/schemas/${name}` });

/** Names in an address that stand for no row. */
const SECRETS: ReadonlySet<string> = new Set(['token', 'passkey']);

/** `/jobs/:job` as OpenAPI writes it. */
const written = (path: string): string => `/api/v1${path.replace(/:(\w+)/g, '{$1}')}`;

/** What is sent with a request. */
function bodyOf({ body }: Described): object {
  if (!body) return {};
  if ('bytes' in body)
    return { requestBody: { content: Object.fromEntries(body.bytes.map((kind) => [kind, { schema: { type: 'string', format: 'binary' } }])) } };
  const schema = body.schema === 'command' ? { type: 'array', maxItems: 100, items: named('command') } : named(body.schema);
  return { requestBody: { content: json(schema) } };
}

/** One path in one method. */
function operationOf(row: Described): object {
  const { path, answers, query = {}, required = [], gives, schema } = row;
  const ids = [...path.matchAll(/:(\w+)/g)].map(([, name]) => ({
    name,
    in: 'path',
    required: true,
    schema: name === 'size' ? { type: 'string', enum: [...PHOTO_SIZES] } : { type: 'string', ...(SECRETS.has(name!) ? {} : { format: 'uuid' }) },
  }));
  const asked = Object.entries(query).map(([name, kind]) => ({
    name,
    in: 'query',
    required: required.includes(name),
    schema: kind === 'uuid' ? { type: 'string', format: 'uuid' } : { type: kind },
  }));
  const good = gives
    ? { content: { [gives]: { schema: { type: 'string', ...(gives.startsWith('text/') ? {} : { format: 'binary' }) } } } }
    : { content: json(schema ? { type: 'object', properties: { input: named(schema) } } : { type: 'object' }) };
  return {
    parameters: [...ids, ...asked],
    ...bodyOf(row),
    responses: Object.fromEntries(answers.map((status) => [status, status < 300 ? { description: 'ok', ...(status === 204 ? {} : good) } : PROBLEM])),
  };
}

/** The API described from its table and from the same Joi schemas that guard it. */
async function openapiDocument(): Promise<object> {
  const { default: parseJoi } = await import('joi-to-json');
  const schema = (joi: unknown): object => parseJoi(joi as never, 'open-api') as object;
  const paths: Record<string, Record<string, object>> = {};
  for (const row of DESCRIBED) paths[written(row.path)] = { ...paths[written(row.path)], [row.method]: operationOf(row) };
  return {
    openapi: '3.0.3',
    info: { title: 'Tufa', version: '1' },
    paths,
    components: {
      schemas: {
        command: schema(commandSchema),
        planInput: schema(planInput),
        documentAsked: {
          type: 'object',
          properties: { kind: { type: 'string', enum: [...DOCUMENT_KINDS] }, language: { type: 'string', enum: [...SPOKEN] } },
          required: ['kind'],
        },
        ...Object.fromEntries(Object.entries(DOORS).map(([name, joi]) => [name, schema(joi)])),
        ...Object.fromEntries(Object.entries(FIELDS).map(([name, joi]) => [name, schema(joi)])),
      },
    },
  };
}

/** The API's own description. */
export function openapiRoutes(): Router {
  const router = Router();
  // Made for whoever asks first: it takes half a second, and most servers are never asked.
  let document: Promise<object> | undefined;
  router.get('/openapi.json', async (_request, response) => {
    response.json(await (document ??= openapiDocument()));
  });
  return router;
}
