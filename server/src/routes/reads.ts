import { createHash } from 'node:crypto';
import { assemblePlanInput } from '@tufa/contract/assemble';
import { id } from '@tufa/contract/common';
import { computePlan, hashesOf } from '@tufa/core/plan';
import { Router } from 'express';
import Joi from 'joi';
import { MoreThan } from 'typeorm';
import type { AppContext } from '../AppContext';
import { withFirm } from '../data/withFirm';
import { Job } from '../entities';
import { checked } from '../http/checked';
import { HttpProblem } from '../http/HttpProblem';
import { signedIn } from '../http/session';
import { changesSince, jobData, jobRows, wireRow, type ChangesPlace } from '../services/rows';

const sinceQuery = Joi.object({
  since: Joi.number().integer().min(0).default(0),
  after: id,
  closedBefore: Joi.string().pattern(/^\d{4}-\d\d-\d\d$/),
  back: Joi.string()
    .pattern(/^[0-9a-f-]{36}(,[0-9a-f-]{36}){0,99}$/)
    .allow(''),
});
const listQuery = Joi.object({ after: id, limit: Joi.number().integer().min(1).max(200).default(50) });
const jobParams = Joi.object({ job: id.required() });

/** Nobody has more windows of Tufa open on one phone or desk. */
const STREAMS_MOST = 20;
/** A stream that says nothing for longer is dead: whoever listens opens another. ms */
const BEAT_MS = 20_000;

/** Plain REST reads: what changed, the jobs, one job whole, its plan. */
export function readRoutes({ source, clock, news }: AppContext): Router {
  const router = Router();

  router.get('/changes', async (request, response) => {
    const place = checked<ChangesPlace>(sinceQuery, request.query);
    const page = await withFirm(source, signedIn(response).firmId, (tx) => changesSince(tx, place));
    response.json({ ...page, serverTime: clock().toISOString() });
  });

  router.get('/jobs', async (request, response) => {
    const { after, limit } = checked<{ after?: string; limit: number }>(listQuery, request.query);
    const jobs = await withFirm(source, signedIn(response).firmId, (tx) =>
      tx.getRepository(Job).find({ where: { removed: false, ...(after ? { id: MoreThan(after) } : {}) }, order: { id: 'ASC' }, take: limit + 1 }),
    );
    const page = jobs.slice(0, limit);
    response.json({ jobs: page.map(wireRow), next: jobs.length > limit ? page.at(-1)?.id : null });
  });

  router.get('/jobs/:job', async (request, response) => {
    const { job } = checked<{ job: string }>(jobParams, request.params);
    const data = await withFirm(source, signedIn(response).firmId, (tx) => jobRows(tx, job));
    if (!data.job[job]) throw new HttpProblem({ status: 404, code: 'notFound', field: 'job' });
    const body = JSON.stringify({
      job: data.job[job],
      element: data.element,
      finding: data.finding,
      reading: data.reading,
      forecast: data.forecast,
      photograph: data.photograph,
      treatment: data.treatment,
      plan: data.plan,
      pourEvent: data.pourEvent,
    });
    response
      .set('etag', `"${createHash('sha256').update(body).digest('base64url')}"`)
      .type('json')
      .send(body);
  });

  router.get('/jobs/:job/plan', async (request, response) => {
    const { job } = checked<{ job: string }>(jobParams, request.params);
    const data = await withFirm(source, signedIn(response).firmId, (tx) => jobData(tx, job));
    const input = assemblePlanInput(data, job);
    if (!input) throw new HttpProblem({ status: 404, code: 'notFound', field: 'job' });
    response.json({ input, hashes: hashesOf(input), plan: computePlan(input) });
  });

  router.get('/news', (request, response) => {
    if (news.openIn(request.sessionID) >= STREAMS_MOST) throw new HttpProblem({ status: 429, code: 'tooManyOpen' });
    response.set({ 'content-type': 'text/event-stream', 'cache-control': 'no-store', 'x-accel-buffering': 'no' });
    response.flushHeaders();
    response.write('retry: 5000\n\n');
    const tell = (event: string, data: number): boolean => response.write(`event: ${event}\ndata: ${data}\n\n`);
    const beat = setInterval(() => tell('beat', 0), BEAT_MS);
    const { firmId, personId: person, deviceId: device } = signedIn(response);
    const stop = news.subscribe({
      firmId,
      person,
      device,
      session: request.sessionID,
      tell: (cursor) => tell('message', cursor),
      end: () => response.end(),
    });
    response.on('close', () => {
      clearInterval(beat);
      stop();
      response.end();
    });
  });
  return router;
}
