import { promisify } from 'node:util';
import type { AuthenticationResponseJSON } from '@simplewebauthn/server';
import { DOORS } from '@tufa/contract/doors';
import { Router, type Request, type Response } from 'express';
import { rateLimit } from 'express-rate-limit';
import type { AppContext } from '../AppContext';
import { withFirm } from '../data/withFirm';
import { beginSession, DEVICE_COOKIE, sessionOf, shownBy, type DeviceTold } from '../doors/beginSession';
import { invited, takeInvitation } from '../doors/invitation';
import { makeFirm, type FirmAsked } from '../doors/makeFirm';
import { askPasskey, personOfPasskey } from '../doors/passkeys';
import { refuseWeak } from '../doors/passphrase';
import { hashOfCode } from '../doors/secret';
import { deviceOf, takeLast } from '../doors/shutDevice';
import { personOf, signInByPassphrase, signInByRecovery } from '../doors/signInBy';
import { Device, Firm, Person } from '../entities';
import { checked } from '../http/checked';
import { HttpProblem, problemDetails } from '../http/HttpProblem';
import { fromThisMachine } from '../http/loopback';
import { sendProblem } from '../http/errors';
import { DEMO_FIRM_ID } from '../services/firm';

/** So long a device that is shut out has for what it had not sent, ms. */
const LAST_MS = 600_000;

/** Signing in, by each way there is; and who is signed in. */
export function sessionRoutes(context: AppContext): Router {
  const { source, clock, news, tries, secure } = context;
  const router = Router();
  const few = rateLimit({
    windowMs: 60_000,
    limit: 60,
    standardHeaders: true,
    legacyHeaders: false,
    handler: (_q, response) => sendProblem(response, problemDetails({ status: 429, code: 'tooOften' })),
  });

  /** The demonstration's roles sign in by one tap, on the machine itself and nowhere else. */
  const demonstration = async (request: Request): Promise<{ firm: string; people: Person[] } | null> => {
    if (!context.demonstration || context.proxied || !fromThisMachine(request)) return null;
    return withFirm(source, DEMO_FIRM_ID, async (tx) => {
      const firm = await tx.getRepository(Firm).findOneBy({ id: DEMO_FIRM_ID });
      return firm && { firm: firm.name, people: await tx.getRepository(Person).find({ where: { removed: false }, order: { id: 'ASC' } }) };
    });
  };

  const begin = async (request: Request, response: Response, known: { firmId: string; person: Person }, device: DeviceTold): Promise<void> => {
    response.status(201).json(await beginSession(context, { request, response, ...known, device }));
  };

  router.get('/people', async (request, response) => {
    const known = await demonstration(request);
    response.json({ firm: known?.firm ?? '', people: known?.people.map(({ id, name, role }) => ({ id, name, role })) ?? [], demonstration: known !== null });
  });

  router.post('/session', few, async (request, response) => {
    const { personId, device } = checked<{ personId: string; device: DeviceTold }>(DOORS.signIn, request.body);
    const known = await demonstration(request);
    if (!known) throw new HttpProblem({ status: 403, code: 'noDemonstration' });
    const person = known.people.find(({ id }) => id === personId);
    if (!person) throw new HttpProblem({ status: 422, code: 'unknownPerson', field: 'personId' });
    await begin(request, response, { firmId: DEMO_FIRM_ID, person }, device);
  });

  router.post('/session/passphrase', few, async (request, response) => {
    const { device, ...told } = checked<{ signIn: string; passphrase: string; device: DeviceTold }>(DOORS.byPassphrase, request.body);
    await begin(request, response, await signInByPassphrase({ source, tries }, { ...told, address: request.ip ?? '' }), device);
  });

  router.post('/session/recovery', few, async (request, response) => {
    const { device, ...told } = checked<{ signIn: string; code: string; passphrase: string; device: DeviceTold }>(DOORS.byRecovery, request.body);
    await begin(request, response, await signInByRecovery({ source, tries }, { ...told, address: request.ip ?? '', at: clock() }), device);
  });

  router.post('/session/invitation', few, async (request, response) => {
    const { device, ...told } = checked<{ token: string; signIn: string; passphrase: string; device: DeviceTold }>(DOORS.byInvitation, request.body);
    await begin(request, response, await takeInvitation(source, { ...told, at: clock() }), device);
  });

  router.post('/invitations/look', few, async (request, response) => {
    response.json(await invited(source, checked<{ token: string }>(DOORS.invitation, request.body).token, clock()));
  });

  router.post('/session/passkey/options', few, async (request, response) => {
    const options = await askPasskey(request, secure(request));
    request.session.challenge = options.challenge;
    response.json(options);
  });

  router.post('/session/passkey', few, async (request, response) => {
    const { response: shown, device } = checked<{ response: AuthenticationResponseJSON; device: DeviceTold }>(DOORS.byPasskey, request.body);
    const { challenge } = request.session;
    delete request.session.challenge;
    if (!challenge) throw new HttpProblem({ status: 401, code: 'notKnown' });
    const { firmId, personId } = await personOfPasskey(source, { request, secure: secure(request), challenge, response: shown, at: clock() });
    await begin(request, response, await personOf(source, firmId, personId), device);
  });

  router.post('/firms', few, async (request, response) => {
    const { code, device, ...asked } = checked<FirmAsked & { code: string; device: DeviceTold }>(DOORS.firm, request.body);
    await tries.count('a firm', request.ip ?? '');
    // A weak passphrase must not cost the code.
    await refuseWeak(asked.passphrase, [asked.signIn, asked.name, asked.firm]);
    const [{ taken }] = (await source.query('select take_firm_code($1, $2) as taken', [hashOfCode(code), clock()])) as [{ taken: boolean }];
    if (!taken) throw new HttpProblem({ status: 401, code: 'noSuchCode', field: 'code' });
    const { firmId, owner, codes } = await makeFirm(source, asked, clock());
    response.status(201).json({ ...(await beginSession(context, { request, response, firmId, person: owner, device })), codes });
  });

  router.get('/session', async (request, response) => {
    const { firmId, personId, deviceId, last } = request.session;
    if (last) throw new HttpProblem({ status: 403, code: 'shutOut', figures: { taking: true } });
    if (!firmId || !personId || !deviceId) {
      // A device that is shut out has no session any more: its own cookie tells it apart from one where nobody is signed in.
      const device = await deviceOf(source, shownBy(request));
      throw new HttpProblem(
        device?.shut ? { status: 403, code: 'shutOut', figures: { taking: device.shut === 'taking' } } : { status: 401, code: 'signInFirst' },
      );
    }
    const { person } = await personOf(source, firmId, personId).catch(() => Promise.reject(new HttpProblem({ status: 401, code: 'signInFirst' })));
    response.json(sessionOf(firmId, deviceId, person));
  });

  router.post('/session/last', few, async (request, response) => {
    // Whoever was cut short goes on in the session that was begun.
    if (request.session.last) return void response.status(204).end();
    const device = await deviceOf(source, shownBy(request));
    const [personId] = device?.persons ?? [];
    if (!device || !personId || !(await takeLast(source, device))) throw new HttpProblem({ status: 403, code: 'shutOut', figures: { taking: false } });
    await promisify(request.session.regenerate.bind(request.session))();
    Object.assign(request.session, { firmId: device.firmId, deviceId: device.id, personId, last: true });
    request.session.cookie.maxAge = LAST_MS;
    await promisify(request.session.save.bind(request.session))();
    request.session.begun = true;
    response.status(204).end();
  });

  router.post('/session/wiped', few, async (request, response) => {
    const device = await deviceOf(source, shownBy(request));
    if (!device?.shut) throw new HttpProblem({ status: 401, code: 'signInFirst' });
    await withFirm(source, device.firmId, (tx) => tx.getRepository(Device).update({ id: device.id }, { shut: 'ended', wipedAt: clock() }));
    await promisify(request.session.destroy.bind(request.session))();
    // Pictures lie in the browser's own cache too.
    response.set('clear-site-data', '"cache"');
    response.clearCookie(DEVICE_COOKIE.name, { path: DEVICE_COOKIE.path }).status(204).end();
  });

  router.delete('/session', async (request, response) => {
    await news.endDoor({ session: request.sessionID });
    await promisify(request.session.destroy.bind(request.session))();
    response.status(204).end();
  });
  return router;
}
