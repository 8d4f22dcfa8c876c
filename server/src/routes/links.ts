import { id } from '@tufa/contract/common';
import { DOORS } from '@tufa/contract/doors';
import { Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import Joi from 'joi';
import type { AppContext } from '../AppContext';
import { withFirm } from '../data/withFirm';
import { firmOfKey } from '../doors/invitation';
import { hashOf, newSecret } from '../doors/secret';
import { DocumentRow } from '../entities';
import { allowed } from '../http/allowed';
import { checked } from '../http/checked';
import { HttpProblem, problemDetails } from '../http/HttpProblem';
import { sendProblem } from '../http/errors';
import { signedIn } from '../http/session';

const params = Joi.object({ document: id.required() });
const shownParams = Joi.object({ token: DOORS.invitation.extract('token') });

/** Links by which a customer reads one document, for some days and without signing in. */
export function linkRoutes(context: AppContext): Router {
  const { source, clock } = context;
  const router = Router();
  router.post('/documents/:document/link', allowed(context, 'documents'), async (request, response) => {
    const { firmId, personId } = signedIn(response);
    const { document } = checked<{ document: string }>(params, request.params);
    const { days } = checked<{ days: number }>(DOORS.link, request.body);
    const [token, at] = [newSecret(), clock()];
    const endsAt = new Date(at.getTime() + days * 86400_000);
    await withFirm(source, firmId, async (tx) => {
      const [made] = await tx.query<{ id: string }[]>(`select id from document where id = $1 and state = 'done'`, [document]);
      if (!made) throw new HttpProblem({ status: 404, code: 'notFound', field: 'document' });
      await tx.query(`insert into door_key (hash, firm_id, kind, target, made_by, made_at, ends_at) values ($1, $2, 'document', $3, $4, $5, $6)`, [
        hashOf(token),
        firmId,
        document,
        personId,
        at,
        endsAt,
      ]);
    });
    response.status(201).json({ path: `/api/v1/shown/${token}`, endsAt: endsAt.toISOString() });
  });

  /** Every link of a document ends. */
  router.delete('/documents/:document/link', allowed(context, 'documents'), async (request, response) => {
    const { document } = checked<{ document: string }>(params, request.params);
    await withFirm(source, signedIn(response).firmId, (tx) => tx.query(`delete from door_key where kind = 'document' and target = $1`, [document]));
    response.status(204).end();
  });
  return router;
}

/** What a customer's link shows: one document, read only, to whoever has it. */
export function shownRoutes({ source, clock }: AppContext): Router {
  const router = Router();
  const few = rateLimit({
    windowMs: 60_000,
    limit: 60,
    standardHeaders: true,
    legacyHeaders: false,
    handler: (_q, response) => sendProblem(response, problemDetails({ status: 429, code: 'tooOften' })),
  });
  router.get('/shown/:token', few, async (request, response) => {
    const { token } = checked<{ token: string }>(shownParams, request.params);
    const ended = new HttpProblem({ status: 404, code: 'linkEnded' });
    const firmId = await firmOfKey(source, token);
    if (!firmId) throw ended;
    const document = await withFirm(source, firmId, async (tx) => {
      const [key] = await tx.query<{ target: string }[]>(`select target from door_key where hash = $1 and kind = 'document' and ends_at > $2`, [
        hashOf(token),
        clock(),
      ]);
      return (
        key && tx.getRepository(DocumentRow).createQueryBuilder('document').addSelect('document.bytes').where('document.id = :id', { id: key.target }).getOne()
      );
    });
    if (!document?.bytes) throw ended;
    response
      .set('cache-control', 'no-store')
      .set('x-robots-tag', 'noindex')
      .type('application/pdf')
      .set('content-disposition', `inline; filename="${document.number}.pdf"`)
      .send(document.bytes);
  });
  return router;
}
