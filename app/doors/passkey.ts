import { startAuthentication, startRegistration } from '@simplewebauthn/browser';
import { api } from '../outbox/api';
import { enter, thisDevice } from '../outbox/session';

/** Why this browser makes no passkey here: an address that is no name, or one that is not secure. */
export type NoPasskey = 'number' | 'insecure';

/** What stands in the way of a passkey; nothing where there can be one. */
export function noPasskey(): NoPasskey | null {
  const { hostname } = window.location;
  if (/^[\d.]+$/.test(hostname) || hostname.includes(':')) return 'number';
  return window.isSecureContext && 'PublicKeyCredential' in window ? null : 'insecure';
}

/** Signs in with a passkey of this phone. @throws where none was shown, or the firm does not know it */
export async function signInByPasskey(): Promise<void> {
  const response = await startAuthentication({ optionsJSON: await api.askPasskey() });
  await enter(await api.signIn('/passkey', { response, device: thisDevice() }));
}

/** Makes a passkey for whoever is signed in. @throws where the browser or the person would not */
export async function makePasskey(label: string): Promise<void> {
  const response = await startRegistration({ optionsJSON: await api.offerPasskey() });
  await api.keepPasskey(response, label);
}
