import { promisify } from 'node:util';
import type { Session } from '@tufa/contract/doors';
import type { Request, Response } from 'express';
import type { AppContext } from '../AppContext';
import { withFirm } from '../data/withFirm';
import type { Person } from '../entities';
import { HttpProblem } from '../http/HttpProblem';
import { DEMO_FIRM_ID } from '../services/firm';
import { knownDevice } from '../services/knownDevice';

/** Holds what a device is known by. Under a name of its own and for long: it outlives every session. */
export const DEVICE_COOKIE = { name: 'tufa-device', maxAge: 10 * 365 * 86400_000, path: '/api/v1/session' } as const;

/** The device that a sign-in names. */
export interface DeviceTold {
  readonly id: string;
  readonly label: string;
}

/** What a device's cookie says; nothing where it has none. */
export function shownBy(request: Request): string | undefined {
  const { [DEVICE_COOKIE.name]: shown } = request.cookies as Readonly<Record<string, unknown>>;
  return typeof shown === 'string' ? shown : undefined;
}

/** What a phone is told of who is signed in on it. */
export const sessionOf = (firmId: string, device: string, { id, name, role }: Person): Session => ({
  firmId,
  device,
  person: { id, name, role, ...(firmId === DEMO_FIRM_ID ? { demonstration: true as const } : {}) },
});

/** Somebody who has shown who they are begins a session of their own on this device; the one before, with its streams, is over. @throws HttpProblem 403 `shutOut` */
export async function beginSession(
  { source, news, clock, secure }: AppContext,
  { request, response, firmId, person, device: told }: { request: Request; response: Response; firmId: string; person: Person; device: DeviceTold },
): Promise<Session> {
  const device = await withFirm(source, firmId, (tx) => knownDevice(tx, firmId, { ...told, secret: shownBy(request), personId: person.id, at: clock() }));
  if (device.shut) throw new HttpProblem({ status: 403, code: 'shutOut' });
  await news.endDoor({ session: request.sessionID });
  await promisify(request.session.regenerate.bind(request.session))();
  request.session.firmId = firmId;
  request.session.personId = person.id;
  request.session.deviceId = device.id;
  // Kept before it is answered for: the next request may come before this answer's last byte.
  await promisify(request.session.save.bind(request.session))();
  request.session.begun = true;
  const { name, maxAge, path } = DEVICE_COOKIE;
  response.cookie(name, device.secret, { httpOnly: true, sameSite: 'strict', secure: secure(request), maxAge, path });
  return sessionOf(firmId, device.id, person);
}
