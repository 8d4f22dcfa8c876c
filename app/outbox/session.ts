import type { Session } from '@tufa/contract/doors';
import { useQuery } from '@tanstack/react-query';
import { phoneRows } from '../rows/PhoneRows';
import { api, ApiProblem, type SignedInPerson } from './api';
import { withOutbox } from './database';
import { outbox } from './Outbox';
import { queryClient } from './queryClient';
import { unsentOf } from './unsent';
import { wipePhone } from './wipePhone';

const SESSION = ['session'] as const;

/** The firm has shut this phone out; what it has not sent is taken once more, or not. */
interface ShutOut {
  readonly shutOut: true;
  readonly taking: boolean;
}

type Known = SignedInPerson | ShutOut | null;

const isShut = (known: Known | undefined): known is ShutOut => known !== null && known !== undefined && 'shutOut' in known;

async function ask(): Promise<Known> {
  try {
    const { person, device } = await api.session();
    await outbox.adopt(device);
    return person;
  } catch (error) {
    if (!(error instanceof ApiProblem) || !error.ours) throw error;
    const { status, code, figures } = error.details;
    if (code === 'shutOut') return { shutOut: true, taking: figures?.['taking'] === true };
    if (status === 401) return null;
    throw error;
  }
}

function useKnown(): Known | undefined {
  const query = useQuery({ queryKey: SESSION, queryFn: ask, staleTime: 300_000 });
  // Without signal there is nobody to ask.
  return query.data ?? (query.isError || query.isPaused ? null : query.data);
}

/** Who is signed in: undefined while asked, null for nobody. Kept on the phone for days without signal. */
export function usePerson(): SignedInPerson | null | undefined {
  const known = useKnown();
  return isShut(known) ? null : known;
}

/** Whether the firm has shut this phone out. */
export function useShutOut(): ShutOut | null {
  const known = useKnown();
  return isShut(known) ? known : null;
}

/** Who is signed in, as far as is known now. */
export const personNow = (): SignedInPerson | null => {
  const known = queryClient.getQueryData<Known>(SESSION);
  return known && !isShut(known) ? known : null;
};

/** Nobody is signed in any more, says the firm: whether it has shut this phone out is asked. */
export function notSignedIn(): void {
  queryClient.setQueryData(SESSION, null);
  void queryClient.invalidateQueries({ queryKey: SESSION });
}

/** What waits on this phone is another firm's: it must go there before this phone can be of this one. */
export class OtherFirm extends Error {
  constructor(readonly count: number) {
    super('another firm');
  }
}

/** The firm whose rows this phone holds; nothing while it holds none. */
const firmHere = async (): Promise<string | undefined> =>
  ((await withOutbox((db) => db.get('meta', 'firm')).catch(() => undefined)) as string | undefined) ?? Object.keys(phoneRows.snapshot().firm.firm)[0];

/**
 * Somebody has shown who they are: this phone is theirs. One that held another firm's rows gives them up first, and opens anew.
 *
 * @throws OtherFirm where something of the other firm is not sent yet; nobody is signed in then
 */
export async function enter({ firmId, person, device }: Session): Promise<void> {
  const before = await firmHere();
  if (before !== undefined && before !== firmId) {
    const count = await unsentOf();
    if (count > 0) {
      await api.signOut().catch(() => null);
      throw new OtherFirm(count);
    }
    await wipePhone();
    await withOutbox((db) => db.put('meta', firmId, 'firm'));
    window.location.assign('/');
    return;
  }
  await withOutbox((db) => db.put('meta', firmId, 'firm')).catch(() => undefined);
  await outbox.adopt(device);
  queryClient.setQueryData(SESSION, person);
  await queryClient.invalidateQueries({ queryKey: ['firm'] });
}

/** Signs out; without signal on this phone alone. */
export async function signOut(): Promise<void> {
  await api.signOut().catch(() => null);
  queryClient.setQueryData(SESSION, null);
}

/** What a browser calls itself, short enough to be told apart: its system and its name. @example 'Linux x86_64, Chrome' */
function nameOf(agent: string): string {
  const parts = /\(([^)]+)\)/.exec(agent)?.[1]?.split('; ') ?? [];
  // Windows and Macintosh come first, what is built on Linux names itself after it.
  const system = parts.find((part) => /Android|Windows|iPhone|iPad|Macintosh|Linux/.test(part));
  const browser = /(Firefox|Edg|CriOS|Chrome|Safari)\b/.exec(agent)?.[1];
  return [system, browser].filter(Boolean).join(', ').slice(0, 80) || agent.slice(0, 80);
}

/** This phone, as it tells of itself when somebody signs in. */
export const thisDevice = (): { readonly id: string; readonly label: string } => ({ id: outbox.deviceId(), label: nameOf(navigator.userAgent) });
