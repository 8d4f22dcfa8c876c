import { id } from '@tufa/contract/common';
import { Router, type Request, type Response } from 'express';
import Joi from 'joi';
import type { AppContext } from '../AppContext';
import { withFirm } from '../data/withFirm';
import { eraseCustomer, erasePerson, type ErasedBy } from '../doors/erase';
import { allowed } from '../http/allowed';
import { checked } from '../http/checked';
import { signedIn } from '../http/session';

const ofPerson = Joi.object({ person: id.required() });
const ofJob = Joi.object({ job: id.required() });

/** Who worked here, or had work done, is erased on their request, by an owner. */
export function erasureRoutes(context: AppContext): Router {
  const { source, clock } = context;
  const router = Router();
  const owners = allowed(context, 'doors');
  const by = (response: Response): ErasedBy => ({ ...signedIn(response), at: clock() });
  router.post('/people/:person/erasure', owners, async (request: Request, response: Response) => {
    const { person } = checked<{ person: string }>(ofPerson, request.params);
    await withFirm(source, signedIn(response).firmId, (tx) => erasePerson(tx, by(response), person));
    response.status(204).end();
  });
  router.post('/jobs/:job/erasure', owners, async (request: Request, response: Response) => {
    const { job } = checked<{ job: string }>(ofJob, request.params);
    response.json(await withFirm(source, signedIn(response).firmId, (tx) => eraseCustomer(tx, by(response), job)));
  });
  return router;
}
