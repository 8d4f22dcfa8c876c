import {
  generateAuthenticationOptions,
  generateRegistrationOptions,
  verifyAuthenticationResponse,
  verifyRegistrationResponse,
  type AuthenticationResponseJSON,
  type AuthenticatorTransport,
  type PublicKeyCredentialCreationOptionsJSON,
  type PublicKeyCredentialRequestOptionsJSON,
  type RegistrationResponseJSON,
} from '@simplewebauthn/server';
import type { Request } from 'express';
import type { DataSource, EntityManager } from 'typeorm';
import { withFirm } from '../data/withFirm';
import { HttpProblem } from '../http/HttpProblem';

/** Browsers give passkeys to a name and refuse them to a number. */
const isNumber = (host: string): boolean => /^[\d.]+$/.test(host) || host.includes(':');

interface Place {
  readonly rpID: string;
  readonly origin: string;
}

/** Under which name and address this server is asked. @throws HttpProblem 409 `passkeyByNumber` */
function placeOf(request: Request, secure: boolean): Place {
  const rpID = request.hostname;
  if (isNumber(rpID)) throw new HttpProblem({ status: 409, code: 'passkeyByNumber' });
  return { rpID, origin: `${secure ? 'https' : 'http'}://${request.get('host')}` };
}

interface KeptPasskey {
  readonly id: string;
  readonly person_id: string;
  readonly public_key: Buffer;
  readonly counter: string;
  readonly transports: AuthenticatorTransport[];
}

const refused = (): HttpProblem => new HttpProblem({ status: 401, code: 'notKnown' });

/** What a browser needs to make a passkey for somebody. */
export async function offerPasskey(
  tx: EntityManager,
  { request, secure, person }: { request: Request; secure: boolean; person: { id: string; name: string } },
): Promise<PublicKeyCredentialCreationOptionsJSON> {
  const kept = await tx.query<KeptPasskey[]>('select id, transports from passkey where person_id = $1', [person.id]);
  return generateRegistrationOptions({
    rpName: 'Tufa',
    rpID: placeOf(request, secure).rpID,
    userID: new TextEncoder().encode(person.id),
    userName: person.name,
    attestationType: 'none',
    excludeCredentials: kept.map(({ id, transports }) => ({ id, transports })),
    authenticatorSelection: { residentKey: 'required', userVerification: 'required' },
  });
}

/** Keeps a passkey that a browser made. @throws HttpProblem 401 `notKnown` where it was not made here and now */
export async function keepPasskey(
  tx: EntityManager,
  asked: {
    request: Request;
    secure: boolean;
    firmId: string;
    personId: string;
    challenge: string;
    response: RegistrationResponseJSON;
    label: string;
    at: Date;
  },
): Promise<void> {
  const { rpID, origin } = placeOf(asked.request, asked.secure);
  const { verified, registrationInfo } = await verifyRegistrationResponse({
    response: asked.response,
    expectedChallenge: asked.challenge,
    expectedOrigin: origin,
    expectedRPID: rpID,
    requireUserVerification: true,
  }).catch(() => ({ verified: false, registrationInfo: undefined }));
  if (!verified || !registrationInfo) throw refused();
  const { credential } = registrationInfo;
  await tx.query(`insert into passkey (id, firm_id, person_id, public_key, counter, transports, label, made_at) values ($1, $2, $3, $4, $5, $6, $7, $8)`, [
    credential.id,
    asked.firmId,
    asked.personId,
    Buffer.from(credential.publicKey),
    credential.counter,
    credential.transports ?? [],
    asked.label,
    asked.at,
  ]);
}

/** What a browser needs to show a passkey, whosever it is. */
export const askPasskey = (request: Request, secure: boolean): Promise<PublicKeyCredentialRequestOptionsJSON> =>
  generateAuthenticationOptions({ rpID: placeOf(request, secure).rpID, userVerification: 'required' });

/** Whose passkey was shown. @throws HttpProblem 401 `notKnown` */
export async function personOfPasskey(
  source: DataSource,
  { request, secure, challenge, response, at }: { request: Request; secure: boolean; challenge: string; response: AuthenticationResponseJSON; at: Date },
): Promise<{ firmId: string; personId: string }> {
  const { rpID, origin } = placeOf(request, secure);
  const [{ firm: firmId }] = (await source.query('select firm_of_passkey($1) as firm', [String(response.id)])) as [{ firm: string | null }];
  if (!firmId) throw refused();
  return withFirm(source, firmId, async (tx) => {
    const [kept] = await tx.query<KeptPasskey[]>('select * from passkey where id = $1 for update', [response.id]);
    if (!kept) throw refused();
    const { verified, authenticationInfo } = await verifyAuthenticationResponse({
      response,
      expectedChallenge: challenge,
      expectedOrigin: origin,
      expectedRPID: rpID,
      requireUserVerification: true,
      credential: { id: kept.id, publicKey: new Uint8Array(kept.public_key), counter: Number(kept.counter), transports: kept.transports },
    }).catch(() => ({ verified: false, authenticationInfo: undefined }));
    if (!verified || !authenticationInfo) throw refused();
    await tx.query('update passkey set counter = $2, used_at = $3 where id = $1', [kept.id, authenticationInfo.newCounter, at]);
    return { firmId, personId: kept.person_id };
  });
}
