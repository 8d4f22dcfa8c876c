import { commandSchema } from '@tufa/contract/commands';
import { DOCUMENT_KINDS } from '@tufa/contract/documents';
import { FIELDS, planInput } from '@tufa/contract/schemas';
import { Router } from 'express';

/** The API described from the same Joi schemas that guard it. */
async function openapiDocument(): Promise<object> {
  const { default: parseJoi } = await import('joi-to-json');
  const schema = (joi: unknown): object => parseJoi(joi as never, 'open-api') as object;
  const json = (name: string): object => ({ content: { 'application/json': { schema: { $ref: `#/components/schemas/${name}` } } } });
  const problem = { description: 'problem+json (RFC 9457)', content: { 'application/problem+json': { schema: { type: 'object' } } } };
  const answer = { 200: { description: 'ok' }, 401: problem, 422: problem };
  const named = (name: string): object => ({ name, in: 'path', required: true, schema: { type: 'string', format: 'uuid' } });
  return {
    openapi: '3.0.3',
    info: { title: 'Tufa', version: '1' },
    paths: {
      '/api/v1/commands': {
        post: {
          requestBody: { content: { 'application/json': { schema: { type: 'array', maxItems: 100, items: { $ref: '#/components/schemas/command' } } } } },
          responses: { ...answer, 412: problem },
        },
      },
      '/api/v1/changes': {
        get: {
          parameters: [
            { name: 'since', in: 'query', schema: { type: 'integer' } },
            { name: 'after', in: 'query', schema: { type: 'string', format: 'uuid' } },
          ],
          responses: answer,
        },
      },
      '/api/v1/jobs': { get: { responses: answer } },
      '/api/v1/jobs/{job}': {
        get: { parameters: [{ name: 'job', in: 'path', required: true, schema: { type: 'string', format: 'uuid' } }], responses: { ...answer, 404: problem } },
      },
      '/api/v1/jobs/{job}/plan': {
        get: {
          parameters: [{ name: 'job', in: 'path', required: true, schema: { type: 'string', format: 'uuid' } }],
          responses: { 200: { description: 'the job file and its plan', ...json('planInput') }, 404: problem },
        },
      },
      '/api/v1/jobs/{job}/documents': {
        get: { parameters: [named('job')], responses: answer },
        post: {
          parameters: [named('job')],
          requestBody: {
            content: {
              'application/json': { schema: { type: 'object', properties: { kind: { type: 'string', enum: [...DOCUMENT_KINDS] } }, required: ['kind'] } },
            },
          },
          responses: { 202: { description: 'being made' }, 401: problem, 404: problem, 409: problem, 422: problem },
        },
      },
      '/api/v1/documents/{document}': {
        get: { parameters: [named('document')], responses: { ...answer, 404: problem } },
        delete: { parameters: [named('document')], responses: { ...answer, 404: problem } },
      },
      '/api/v1/documents/{document}/file': {
        get: {
          parameters: [named('document')],
          responses: { 200: { description: 'the document', content: { 'application/pdf': {} } }, 404: problem, 409: problem },
        },
      },
      '/api/v1/weather': {
        get: {
          parameters: ['latitude_deg', 'longitude_deg'].map((name) => ({ name, in: 'query', required: true, schema: { type: 'number' } })),
          responses: { ...answer, 404: problem, 502: problem },
        },
      },
    },
    components: {
      schemas: {
        command: schema(commandSchema),
        planInput: schema(planInput),
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
