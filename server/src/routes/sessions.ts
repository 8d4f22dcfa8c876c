import { promisify } from 'node:util';
import { id, optionalText } from '@tufa/contract/common';
import { check } from '@tufa/contract/validate';
import { Router } from 'express';
import { rateLimit } from 'express-rate-limit';
import Joi from 'joi';
import type { AppContext } from '../AppContext';
import { withFirm } from '../data/withFirm';
import { Firm, Person } from '../entities';
import { HttpProblem, problemDetails } from '../http/HttpProblem';
import { sendProblem } from '../http/errors';
import { knownDevice } from '../services/knownDevice';

const signIn = Joi.object({ personId: id.required(), device: Joi.object({ id: id.required(), label: optionalText(80).required() }).required() }).required();

/** Holds what a device is known by. Under a name of its own and for long: it outlives every session. */
const DEVICE_COOKIE = { name: 'tufa-device', maxAge: 10 * 365 * 86400_000 };

/** The demonstration's one-tap sign-in by role. */
export function sessionRoutes({ source, firmId, clock, news, proxied }: AppContext): Router {
  const router = Router();
  const people = () =>
    withFirm(source, firmId, async (tx) => ({
      firm: await tx.getRepository(Firm).findOneBy({ id: firmId }),
      people: await tx.getRepository(Person).find({ where: { removed: false }, order: { id: 'ASC' } }),
    }));

  router.get('/people', async (_request, response) => {
    const known = await people();
    response.json({ firm: known.firm?.name ?? '', people: known.people.map(({ id: personId, name, role }) => ({ id: personId, name, role })) });
  });

  const tries = rateLimit({
    windowMs: 60_000,
    limit: 60,
    standardHeaders: true,
    legacyHeaders: false,
    handler: (_q, response) => sendProblem(response, problemDetails({ status: 429, code: 'tooOften' })),
  });

  router.post('/session', tries, async (request, response) => {
    const { value, fault } = check<{ personId: string; device: { id: string; label: string } }>(signIn, request.body);
    if (fault) throw new HttpProblem({ status: 422, code: fault.code, field: fault.field, figures: fault.figures });
    const person = (await people()).people.find((candidate) => candidate.id === value.personId);
    if (!person) throw new HttpProblem({ status: 422, code: 'unknownPerson', field: 'personId' });
    const { [DEVICE_COOKIE.name]: shown } = request.cookies as Readonly<Record<string, unknown>>;
    const device = await withFirm(source, firmId, (tx) =>
      knownDevice(tx, firmId, { ...value.device, secret: typeof shown === 'string' ? shown : undefined, personId: person.id, at: clock() }),
    );
    // Whoever signs in begins a session of their own; the one before, with its streams, is over.
    news.endOf(request.sessionID);
    await promisify(request.session.regenerate.bind(request.session))();
    request.session.firmId = firmId;
    request.session.personId = person.id;
    request.session.deviceId = device.id;
    // Kept before it is answered for: the next request may come before this answer's last byte.
    await promisify(request.session.save.bind(request.session))();
    response.cookie(DEVICE_COOKIE.name, device.secret, {
      httpOnly: true,
      sameSite: 'strict',
      secure: proxied,
      maxAge: DEVICE_COOKIE.maxAge,
      path: '/api/v1/session',
    });
    response.status(201).json({ firmId, device: device.id, person: { id: person.id, name: person.name, role: person.role } });
  });

  router.get('/session', async (request, response) => {
    const { deviceId } = request.session;
    const person = deviceId ? (await people()).people.find((candidate) => candidate.id === request.session.personId) : undefined;
    if (!person) throw new HttpProblem({ status: 401, code: 'signInFirst' });
    response.json({ firmId, device: deviceId, person: { id: person.id, name: person.name, role: person.role } });
  });

  router.delete('/session', (request, response, next) => {
    news.endOf(request.sessionID);
    request.session.destroy((error) => (error ? next(error) : response.status(204).end()));
  });
  return router;
}
