import { id } from '@tufa/contract/common';
import { DOORS, type DoorsState, type OwnDoors, type TrailLine } from '@tufa/contract/doors';
import { mayAct, type Role } from '@tufa/contract/rights';
import type { RegistrationResponseJSON } from '@simplewebauthn/server';
import { Router } from 'express';
import Joi from 'joi';
import type { AppContext } from '../AppContext';
import { withFirm } from '../data/withFirm';
import { endSessions } from '../doors/doorsOf';
import { invite } from '../doors/invitation';
import { keepPasskey, offerPasskey } from '../doors/passkeys';
import { hashPassphrase, matches, refuseWeak } from '../doors/passphrase';
import { newRecoveryCodes } from '../doors/recovery';
import { openDevice, shutDevice } from '../doors/shutDevice';
import { Person } from '../entities';
import { allowed } from '../http/allowed';
import { checked } from '../http/checked';
import { HttpProblem } from '../http/HttpProblem';
import { signedIn } from '../http/session';

const ofPerson = Joi.object({ person: id.required() });
const ofDevice = Joi.object({ device: id.required() });
const ofPasskey = Joi.object({
  passkey: Joi.string()
    .pattern(/^[\w-]{1,400}$/)
    .required(),
});
const trailQuery = Joi.object({ before: Joi.string().isoDate(), most: Joi.number().integer().min(1).max(10_000).default(200) });

/** The firm's doors: who is let in, with what, from which devices; and the trail of what was done. */
export function doorRoutes(context: AppContext): Router {
  const { source, clock, tries, secure } = context;
  const router = Router();
  const owners = allowed(context, 'doors');

  router.get('/doors', owners, async (_request, response) => {
    const { firmId } = signedIn(response);
    const state = await withFirm(source, firmId, async (tx): Promise<DoorsState> => ({
      people: await tx.query(
        `select p.id, w.sign_in as "signIn", (select count(*)::int from passkey k where k.person_id = p.id) as passkeys,
           (select count(*)::int from session s where s.sess->>'personId' = p.id::text and s.expire > $1) as sessions,
           (select max(ends_at) from door_key d where d.kind = 'invitation' and d.target = p.id and d.used_at is null and d.ends_at > $1) as "invitedUntil"
         from person p left join passphrase w on w.person_id = p.id where not p.removed order by p.id`,
        [clock()],
      ),
      devices: await tx.query(
        'select id, label, seen_at as "seenAt", persons, shut, wiped_at as "wipedAt" from device where not removed order by seen_at desc limit 200',
      ),
    }));
    response.json(state);
  });

  router.get('/doors/mine', async (_request, response) => {
    const { firmId, personId } = signedIn(response);
    const mine = await withFirm(source, firmId, async (tx): Promise<OwnDoors> => {
      const [told] = await tx.query<Omit<OwnDoors, 'passkeys'>[]>(
        `select (select sign_in from passphrase where person_id = $1) as "signIn",
           (select count(*)::int from recovery_code where person_id = $1 and used_at is null) as "codesLeft",
           (select count(*)::int from session where sess->>'personId' = $1::text and expire > $2) as sessions`,
        [personId, clock()],
      );
      const passkeys = await tx.query<OwnDoors['passkeys']>(
        'select id, label, made_at as "madeAt", used_at as "usedAt" from passkey where person_id = $1 order by made_at',
        [personId],
      );
      return { ...told!, passkeys };
    });
    response.json(mine);
  });

  router.post('/people/:person/invitation', owners, async (request, response) => {
    const { firmId, personId: by } = signedIn(response);
    const { person: personId } = checked<{ person: string }>(ofPerson, request.params);
    response.status(201).json(await withFirm(source, firmId, (tx) => invite(tx, { firmId, personId, by, at: clock() })));
  });

  /** Everywhere: by the person or by an owner. The session that asks ends too. */
  router.delete('/people/:person/sessions', async (request, response) => {
    const { firmId, personId } = signedIn(response);
    const { person } = checked<{ person: string }>(ofPerson, request.params);
    await withFirm(source, firmId, async (tx) => {
      const found = await tx.query<{ id: string; role: Role }[]>('select id, role from person where id = any($1)', [[personId, person]]);
      const mine = found.find(({ id: other }) => other === personId);
      if (person !== personId && !(mine && mayAct(mine.role, 'doors'))) throw new HttpProblem({ status: 403, code: 'notAllowed', figures: { least: 'owner' } });
      if (!found.some(({ id: other }) => other === person)) throw new HttpProblem({ status: 404, code: 'notFound', field: 'person' });
      await endSessions(tx, { person });
    });
    response.status(204).end();
  });

  router.post('/devices/:device/shut', owners, async (request, response) => {
    const { device: deviceId } = checked<{ device: string }>(ofDevice, request.params);
    const { unsent } = checked<{ unsent: 'take' | 'leave' }>(DOORS.shut, request.body);
    await withFirm(source, signedIn(response).firmId, (tx) => shutDevice(tx, { deviceId, unsent }));
    response.status(204).end();
  });

  router.delete('/devices/:device/shut', owners, async (request, response) => {
    const { device } = checked<{ device: string }>(ofDevice, request.params);
    await withFirm(source, signedIn(response).firmId, (tx) => openDevice(tx, device));
    response.status(204).end();
  });

  router.put('/passphrase', async (request, response) => {
    const { firmId, personId } = signedIn(response);
    const { former, passphrase } = checked<{ former: string; passphrase: string }>(DOORS.newPassphrase, request.body);
    await tries.count(personId, request.ip ?? '');
    const [kept] = await withFirm(source, firmId, (tx) =>
      tx.query<{ hash: string; sign_in: string }[]>('select hash, sign_in from passphrase where person_id = $1', [personId]),
    );
    if (!kept || !(await matches(kept.hash, former))) throw new HttpProblem({ status: 403, code: 'notKnown', field: 'former' });
    await refuseWeak(passphrase, [kept.sign_in]);
    const hash = await hashPassphrase(passphrase);
    await withFirm(source, firmId, (tx) => tx.query('update passphrase set hash = $2, set_at = $3 where person_id = $1', [personId, hash, clock()]));
    await tries.forget(personId);
    response.status(204).end();
  });

  router.post('/recovery-codes', owners, async (_request, response) => {
    const { firmId, personId } = signedIn(response);
    response.status(201).json({ codes: await withFirm(source, firmId, (tx) => newRecoveryCodes(tx, { firmId, personId, at: clock() })) });
  });

  router.post('/passkeys/options', async (request, response) => {
    const { firmId, personId } = signedIn(response);
    const options = await withFirm(source, firmId, async (tx) => {
      const person = await tx.getRepository(Person).findOneByOrFail({ id: personId });
      return offerPasskey(tx, { request, secure: secure(request), person });
    });
    request.session.challenge = options.challenge;
    response.json(options);
  });

  router.post('/passkeys', async (request, response) => {
    const { firmId, personId } = signedIn(response);
    const told = checked<{ response: RegistrationResponseJSON; label: string }>(DOORS.passkey, request.body);
    const { challenge } = request.session;
    delete request.session.challenge;
    if (!challenge) throw new HttpProblem({ status: 409, code: 'notKnown' });
    await withFirm(source, firmId, (tx) => keepPasskey(tx, { request, secure: secure(request), firmId, personId, challenge, ...told, at: clock() }));
    response.status(201).json({});
  });

  router.delete('/passkeys/:passkey', async (request, response) => {
    const { firmId, personId } = signedIn(response);
    const { passkey } = checked<{ passkey: string }>(ofPasskey, request.params);
    const [, count] = (await withFirm(source, firmId, (tx) => tx.query('delete from passkey where id = $1 and person_id = $2', [passkey, personId]))) as [
      unknown,
      number,
    ];
    if (count === 0) throw new HttpProblem({ status: 404, code: 'notFound', field: 'passkey' });
    response.status(204).end();
  });

  router.get('/trail', owners, async (request, response) => {
    const { before, most } = checked<{ before?: string; most: number }>(trailQuery, request.query);
    const lines = await withFirm(source, signedIn(response).firmId, (tx) =>
      tx.query<TrailLine[]>(
        `select received_at as at, person, device, kind, target, result->>'result' as result from command where $1::timestamptz is null or received_at < $1
         order by received_at desc, seq desc limit $2`,
        [before ?? null, most],
      ),
    );
    response.json({ lines });
  });
  return router;
}
