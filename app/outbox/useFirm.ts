import { applyCommand, mergeRows } from '@tufa/contract/applyCommand';
import type { Writable } from '@tufa/contract/commands';
import { emptyFirmData, type EntityFields, type FirmData } from '@tufa/contract/entities';
import { useQuery } from '@tanstack/react-query';
import { useEffect, useSyncExternalStore } from 'react';
import { now } from '../parts/phone/clock';
import { api, ApiProblem, type SignedInPerson } from './api';
import type { OutboxRecord } from './database';
import { outbox, type Draft, type Waiting } from './Outbox';
import { queryClient } from './queryClient';

interface Pulled {
  readonly cursor: number;
  readonly data: FirmData;
  /** what to add to this phone's clock to have the firm's, ms */
  readonly clockOffset: number;
}

const FIRM = ['firm'] as const;
const SESSION = ['session'] as const;

async function pullNow(): Promise<Pulled> {
  let pulled = queryClient.getQueryData<Pulled>(FIRM) ?? { cursor: 0, data: emptyFirmData(), clockOffset: 0 };
  for (;;) {
    const sent = now();
    const page = await api.changes(pulled.cursor);
    const clockOffset = Math.round(Date.parse(page.serverTime) - (sent + now()) / 2);
    pulled = { cursor: page.cursor, data: mergeRows(pulled.data, page.rows), clockOffset };
    if (!page.more) return pulled;
  }
}

let last: Promise<unknown> = Promise.resolve();
let queued: Promise<Pulled> | null = null;

/**
 * Pulls everything that changed since the last pull; a job is then whole on the phone. One pull at a time: an older
 * answer never comes over a newer, and whoever asks while one is waiting to begin gets that one.
 */
function pull(): Promise<Pulled> {
  queued ??= last
    .catch(() => undefined)
    .then(() => {
      queued = null;
      const pulling = pullNow().then((pulled) => {
        queryClient.setQueryData(FIRM, pulled);
        return pulled;
      });
      last = pulling;
      return pulling;
    });
  return queued;
}

let draining = Promise.resolve();
/** Tries that ended without an answer in a row, and when the next is due, ms since 1970. */
let failures = 0;
let due = 0;
const BACK_OFF_MS = { least: 2000, most: 60_000 } as const;

/** Why a try ended, in words of the outbox. */
function waitingFor(error: unknown): Waiting {
  if (!(error instanceof ApiProblem)) return 'noAnswer';
  const { status } = error.details;
  if (!error.ours) return 'notOurs';
  return status === 401 ? 'signedOut' : status === 429 ? 'tooOften' : 'theirFault';
}

/** What else goes to the firm once the commands have: pictures, which have a queue of their own. */
export const alsoSend = new Set<() => Promise<void>>();

/** Sends what waits and pulls what changed; quiet without signal. What got no answer of the firm's is tried again, each time after twice as long. */
function sync(): Promise<void> {
  draining = draining
    .then(() => outbox.drain(api.send, pull))
    .then(async () => {
      for (const send of alsoSend) await send();
    })
    .then(
      () => {
        failures = 0;
        due = 0;
        outbox.note(null);
      },
      (error: unknown) => {
        due = Date.now() + Math.min(BACK_OFF_MS.most, BACK_OFF_MS.least * 2 ** failures);
        failures += 1;
        const why = waitingFor(error);
        outbox.note(why);
        if (why === 'signedOut') queryClient.setQueryData(SESSION, null);
      },
    );
  return draining;
}

let laid: { readonly pulled: FirmData | undefined; readonly records: readonly OutboxRecord[]; readonly data: FirmData } | null = null;

/** What was pulled with what waits laid over it: made once for each state of the two, whichever screens ask. */
function laidOver(pulled: FirmData | undefined, records: readonly OutboxRecord[]): FirmData {
  if (laid?.pulled !== pulled || laid?.records !== records) {
    const data = records
      .filter(({ state }) => state === 'waiting' || state === 'sent')
      .reduce((rows, { command }) => applyCommand(rows, command), { ...emptyFirmData(), ...pulled });
    laid = { pulled, records, data };
  }
  return laid.data;
}

/** Everything of the firm on this phone, and how far it is the firm's. */
export interface Firm {
  readonly data: FirmData;
  readonly ready: boolean;
  readonly failed: boolean;
  readonly clockOffset: number;
  readonly records: readonly OutboxRecord[];
  readonly unsent: number;
  /** why what waits is not with the firm yet; null while nothing stands in its way */
  readonly waitingFor: Waiting | null;
}

/** Everything of the firm on this phone, with what waits in the outbox laid over it. */
export function useFirm(): Firm {
  const query = useQuery({ queryKey: FIRM, queryFn: pull });
  const records = useSyncExternalStore(outbox.subscribe, outbox.snapshot, outbox.snapshot);
  const why = useSyncExternalStore(outbox.subscribe, outbox.waitingFor, outbox.waitingFor);
  const pulled = query.data;
  const data = laidOver(pulled?.data, records);
  return {
    data,
    ready: pulled !== undefined,
    failed: query.isError,
    clockOffset: pulled?.clockOffset ?? 0,
    records,
    unsent: records.filter(({ state }) => state === 'waiting').length,
    waitingFor: why,
  };
}

/** Who is signed in: undefined while asked, null for nobody. Kept on the phone for days without signal. */
export function usePerson(): SignedInPerson | null | undefined {
  const query = useQuery({
    queryKey: SESSION,
    queryFn: async () => {
      try {
        const { person, device } = await api.session();
        await outbox.adopt(device);
        return person;
      } catch (error) {
        if (error instanceof ApiProblem && error.details.status === 401) return null;
        throw error;
      }
    },
    staleTime: 300_000,
  });
  // Without signal there is nobody to ask.
  return query.data ?? (query.isError || query.isPaused ? null : query.data);
}

/** Asks for everything of the firm beside who is signed in, and not after it: whoever is nobody gets nothing. */
export const usePulledEarly = (signedIn: boolean | undefined): void => void useQuery({ queryKey: FIRM, queryFn: pull, enabled: signedIn !== false });

/** Signs a person in on this phone and pulls what the firm has. @throws ApiProblem where the firm says no */
export async function signIn(personId: string): Promise<void> {
  const { person, device } = await api.signIn(personId, { id: outbox.deviceId(), label: navigator.userAgent.slice(0, 80) });
  await outbox.adopt(device);
  queryClient.setQueryData(SESSION, person);
  await queryClient.invalidateQueries({ queryKey: FIRM });
}

/** Signs out; without signal on this phone alone. */
export async function signOut(): Promise<void> {
  await api.signOut().catch(() => null);
  queryClient.setQueryData(SESSION, null);
}

const current = (): { data: FirmData; person: string } => {
  const pulled = queryClient.getQueryData<Pulled>(FIRM);
  const data = outbox
    .snapshot()
    .filter(({ state }) => state !== 'parked' && state !== 'refused')
    .reduce((data, { command }) => applyCommand(data, command), { ...emptyFirmData(), ...pulled?.data });
  return { data, person: queryClient.getQueryData<SignedInPerson>(SESSION)?.id ?? '' };
};

/** One change of one entity, as a screen writes it. */
export interface Change<N extends Writable = Writable> {
  readonly name: N;
  readonly verb: 'add' | 'change' | 'remove';
  readonly target: string;
  readonly change: Partial<EntityFields[N]>;
  /** the row that whoever made the change had before their eyes, where that is older than the present one */
  readonly seen?: Partial<EntityFields[N]> | undefined;
}

/** A change of one entity, its fields checked by the types; a form says what it was opened with, so that what came meanwhile clashes and is not written over. */
export const change = <N extends Writable>(
  name: N,
  verb: 'add' | 'change' | 'remove',
  target: string,
  fields: Partial<EntityFields[N]> = {},
  seen?: Partial<EntityFields[N]>,
): Change => ({ name, verb, target, change: fields, seen }) as unknown as Change;

/**
 * Writes changes made together. They are on this phone when the promise resolves; the firm has them when there is
 * signal.
 */
export const write = (...changes: readonly Change[]): Promise<void> => writeInstead([], ...changes);

/** Writes changes in the place of records that came back: those are gone in the same breath. */
export async function writeInstead(instead: readonly number[], ...changes: readonly Change[]): Promise<void> {
  const { data, person } = current();
  const drafts: Draft[] = changes.map(({ name, verb, target, change: fields, seen }) => {
    const present = (seen as Record<string, unknown> | undefined) ?? (data[name] as unknown as Record<string, Record<string, unknown> | undefined>)[target];
    const base = verb === 'add' || !present ? null : Object.fromEntries(Object.keys(fields).map((field) => [field, present[field]]));
    return { kind: `${name}.${verb}`, target, base, change: fields } as Draft;
  });
  await outbox.write(person, drafts, new Date(now()), instead);
  if (Date.now() >= due) void sync();
}

/** Offers once more what the firm has refused. */
export async function sendAgain(order: number): Promise<void> {
  await outbox.again(order);
  void sync();
}

/** News beat every twenty seconds; a stream that was silent for longer than two of them is dead without a word. */
const BEAT_MS = 50_000;
/** Without news a phone looks by itself. */
const LOOK_MS = 60_000;

/** Listens for news of the firm, opens a stream that has gone silent anew, and looks once a minute while there is none. @returns what ends it */
function listen(look: () => void): () => void {
  let news: EventSource;
  let heard = Date.now();
  let looked = Date.now();
  const hear = (): void => void (heard = Date.now());
  const tell = (): void => {
    hear();
    looked = Date.now();
    look();
  };
  const open = (): void => {
    news = new EventSource('/api/v1/news');
    // News told while nobody listened are not told again: each time the ear is open, look once.
    news.onopen = tell;
    news.onmessage = tell;
    news.addEventListener('beat', hear);
  };
  open();
  const tick = setInterval(() => {
    const silent = Date.now() - heard > BEAT_MS;
    if (silent && Date.now() - looked > LOOK_MS) {
      looked = Date.now();
      look();
    }
    if (news.readyState !== EventSource.CLOSED && !silent) return;
    news.close();
    open();
  }, 10_000);
  return () => {
    clearInterval(tick);
    news.close();
  };
}

/** Keeps the phone and the firm together while the application is open: signal, focus, news, and a slow tick. */
export function useSync(signedIn: boolean): void {
  useEffect(() => {
    if (!signedIn) return;
    const run = (): void => void sync();
    run();
    const waits = (): boolean => outbox.snapshot().some(({ state }) => state === 'waiting' || state === 'sent');
    const tick = setInterval(() => waits() && Date.now() >= due && run(), 2000);
    window.addEventListener('online', run);
    document.addEventListener('visibilitychange', run);
    const deaf = listen(() => void queryClient.invalidateQueries({ queryKey: FIRM }));
    return () => {
      clearInterval(tick);
      window.removeEventListener('online', run);
      document.removeEventListener('visibilitychange', run);
      deaf();
    };
  }, [signedIn]);
}
