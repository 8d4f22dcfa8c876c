import type { Writable } from '@tufa/contract/commands';
import { emptyFirmData, type EntityFields, type FirmData, type RowOf } from '@tufa/contract/entities';
import { useQuery } from '@tanstack/react-query';
import { transfer } from 'comlink';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { now } from '../parts/phone/clock';
import { bringBack, isAway } from '../rows/closedJobs';
import { keepOld, keepPage, type KeptPage } from '../rows/keepPage';
import { phoneRows, type RowsOnPhone } from '../rows/PhoneRows';
import { isOfJob, type Place } from '../rows/shape';
import type { Picture } from '../rows/standing';
import { askRows } from '../workers/rowsWorker';
import { api, ApiProblem, notTheFirm } from './api';
import { dropPictures } from './dropPictures';
import type { OutboxRecord } from './database';
import { firmLaidOver, jobLaidOver, jobsLaidOver, jobsOfRecords, pictureLaidOver, remembered, rowLaidOver, standingsLaidOver } from './laidOver';
import { outbox, type Draft, type Waiting } from './Outbox';
import { persister, queryClient } from './queryClient';
import { notSignedIn, personNow } from './session';

const FIRM = ['firm'] as const;

/** Keeps a page off this thread where the browser keeps it, else on it. @throws ApiProblem where it is no page of the firm's */
async function keepPulled(bytes: ArrayBuffer, asked: { sent: number; came: number; whole: boolean }): Promise<NonNullable<KeptPage>> {
  const kept = phoneRows.isKept() ? await askRows((worker) => worker.keepPage(transfer(bytes, [bytes]), asked)) : await keepPage(bytes, asked, phoneRows);
  if (!kept) throw notTheFirm();
  return kept;
}

/** Follows the firm from where this phone stands: one page of one tab at a time, so that an older place never comes over a newer. */
const pullNow = (): Promise<Place> =>
  navigator.locks.request('tufa-pull', async () => {
    let place = (await phoneRows.place()) ?? { cursor: 0, whole: false, clockOffset: 0 };
    for (;;) {
      const sent = now();
      const bytes = await api.changes(place.cursor, place.after);
      const { more, touched, gone, ...kept } = await keepPulled(bytes, { sent, came: now(), whole: place.whole });
      place = kept.place;
      await phoneRows.touched(touched);
      await dropPictures(gone);
      if (!more) return place;
    }
  });

let last: Promise<unknown> = Promise.resolve();
let queued: Promise<Place> | null = null;

/** Pulls everything that changed since the last pull. One pull at a time: whoever asks while one is waiting to begin gets that one. */
function pull(): Promise<Place> {
  queued ??= last
    .catch(() => undefined)
    .then(() => {
      queued = null;
      const pulling = pullNow().then(async (place) => {
        await phoneRows.leave((jobId) => outbox.snapshot().some((record) => record.jobId === jobId));
        queryClient.setQueryData(FIRM, place);
        return place;
      });
      last = pulling;
      pulling.catch((error: unknown) => waitingFor(error) === 'signedOut' && notSignedIn());
      return pulling;
    });
  return queued;
}

const kept = new Set<string>();

/** What waits of a job is laid over its rows: they are held for as long as the page is open. */
function keepHeld(jobId: string): Promise<void> {
  if (!kept.has(jobId)) phoneRows.hold(jobId);
  kept.add(jobId);
  return phoneRows.open(jobId);
}

/** Reads what this phone holds of the firm; what an earlier release kept of it as one text is taken over first. */
export async function loadFirm(): Promise<void> {
  if (phoneRows.isKept() && (await phoneRows.place().catch(() => undefined)) === null) {
    const old = await persister.restoreText().catch(() => null);
    if (old) await keepOld(old, phoneRows);
  }
  await phoneRows.load();
  for (const { order, command, jobId } of outbox.snapshot()) if (jobId === undefined) await outbox.isOf(order, await phoneRows.jobOf(command));
  await Promise.all(jobsOfRecords(outbox.snapshot()).map(keepHeld));
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

/** Sends what waits now. @returns once it was tried */
export const sendNow = (): Promise<void> => sync();

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
        if (why === 'signedOut') notSignedIn();
      },
    );
  return draining;
}

/** The firm on this phone. */
export interface Firm {
  readonly data: FirmData;
  /** whether what is asked for is here */
  readonly ready: boolean;
  readonly failed: boolean;
  readonly clockOffset: number;
  /** the job asked for is closed for long and not on this phone */
  readonly away: boolean;
}

/** How far what was written here is the firm's. */
export interface Unsent {
  readonly records: readonly OutboxRecord[];
  readonly unsent: number;
  /** why what waits is not with the firm yet; null while nothing stands in its way */
  readonly waitingFor: Waiting | null;
}

/** What is on this phone changes with the firm's word and with what is written here. */
function eitherChanges(hear: () => void): () => void {
  const [deaf, mute] = [phoneRows.subscribe(hear), outbox.subscribe(hear)];
  return () => {
    deaf();
    mute();
  };
}

/** Something made of rows and outbox, the very same while nothing of it has changed: whoever looks at it is not asked again with each word about what was sent. */
const useLaidOver = <T>(make: (phone: RowsOnPhone, records: readonly OutboxRecord[]) => T): T => {
  const made = (): T => make(phoneRows.snapshot(), outbox.snapshot());
  return useSyncExternalStore(eitherChanges, made, made);
};

export function useUnsent(): Unsent {
  const records = useSyncExternalStore(outbox.subscribe, outbox.snapshot, outbox.snapshot);
  const waitingFor = useSyncExternalStore(outbox.subscribe, outbox.waitingFor, outbox.waitingFor);
  return { records, unsent: records.filter(({ state }) => state === 'waiting').length, waitingFor };
}

/** The firm and its jobs on this phone, with what waits in the outbox laid over them; of what is in the jobs nothing. */
export function useFirm(): Firm {
  const { isError: failed } = useQuery({ queryKey: FIRM, queryFn: pull });
  const data = useLaidOver(firmLaidOver);
  const ready = useLaidOver((phone) => phone.ready);
  const clockOffset = useLaidOver((phone) => phone.clockOffset);
  return { data, ready, failed, clockOffset, away: false };
}

/** Fetches the rows of a job that is not on this phone any more, and keeps them for some days. */
async function fetchBack(jobId: string): Promise<true> {
  const { job, ...tables } = await api.job(jobId);
  await phoneRows.back({ job: [job], ...Object.fromEntries(Object.entries(tables).map(([name, rows]) => [name, Object.values(rows)])) });
  bringBack(jobId);
  return true;
}

/** Whether a job is still away; looking at it brings it back. */
function useBack(job: RowOf<'job'> | undefined): { away: boolean; failed: boolean } {
  const away = job !== undefined && isAway(job);
  const { isSuccess, isError } = useQuery({
    queryKey: ['back', job?.id],
    queryFn: () => fetchBack(job!.id),
    enabled: away,
    retry: false,
    staleTime: Infinity,
    gcTime: 0,
  });
  return { away: away && !isSuccess, failed: isError };
}

const NOTHING = emptyFirmData();

/** The firm with what is in one job; ready once that is read. */
export function useFirmWith(jobId: string | undefined): Firm {
  const firm = useFirm();
  useEffect(() => (jobId ? phoneRows.hold(jobId) : undefined), [jobId]);
  const data = useLaidOver((phone, records) => (jobId ? jobLaidOver(phone, records, jobId) : null));
  const job = jobId ? firm.data.job[jobId] : undefined;
  const { away, failed } = useBack(job);
  if (!jobId) return firm;
  // A job that is not read yet is not an empty one.
  return data && !away ? { ...firm, data } : { ...firm, data: NOTHING, ready: false, away, failed: firm.failed || failed };
}

/** Several jobs with what is in them, those that are read already. */
export function useJobsWith(jobIds: readonly string[]): ReadonlyMap<string, FirmData> {
  const all = jobIds.join(' ');
  useEffect(() => {
    const letGo = all.split(' ').flatMap((id) => (id ? [phoneRows.hold(id)] : []));
    return () => letGo.forEach((done) => done());
  }, [all]);
  const [kept] = useState(() => remembered<ReadonlyMap<string, FirmData>>());
  return useLaidOver((phone, records) => jobsLaidOver(phone, records, jobIds, kept));
}

/** Where each job stands. */
export const useStandings = (): RowsOnPhone['standings'] => useLaidOver(standingsLaidOver);

/** What a job's small picture is drawn from; undefined while it is read. */
export function usePicture(jobId: string): Picture | undefined {
  const picture = useLaidOver((phone, records) => pictureLaidOver(phone, records, jobId));
  const missing = picture === undefined;
  useEffect(() => {
    if (missing) phoneRows.wantPicture(jobId);
  }, [missing, jobId]);
  return picture;
}

/** Asks for everything of the firm beside who is signed in, and not after it: whoever is nobody gets nothing. */
export const usePulledEarly = (signedIn: boolean | undefined): void => void useQuery({ queryKey: FIRM, queryFn: pull, enabled: signedIn !== false });

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
  const person = personNow()?.id ?? '';
  const [phone, records] = [phoneRows.snapshot(), outbox.snapshot()];
  const drafts = changes.map(({ name, verb, target, change: fields, seen }): Draft => {
    const standing = rowLaidOver(phone, records, name, target);
    const before: Readonly<Record<string, unknown>> | undefined = seen ? { ...seen } : standing && { ...standing };
    const base = verb === 'add' || !before ? null : Object.fromEntries(Object.keys(fields).map((field) => [field, before[field]]));
    const { jobId }: Readonly<{ jobId?: string | null; id?: string }> = { ...standing, ...fields };
    return { kind: `${name}.${verb}`, target, base, change: fields, jobId: isOfJob(name) ? (jobId ?? null) : null };
  });
  for (const { jobId } of drafts) if (jobId) void keepHeld(jobId);
  await outbox.write(person, drafts, new Date(now()), instead);
  if (Date.now() >= due) afterIsShown(() => void sync());
}

/** What is sent can wait until what was changed is worked out and shown: on a slow phone the one would hold up the other. */
function afterIsShown(work: () => void): void {
  if ('scheduler' in window) void scheduler.postTask(work, { priority: 'background', delay: 300 });
  else work();
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
  const anew = (): void => {
    news.close();
    open();
  };
  const tick = setInterval(() => {
    const silent = Date.now() - heard > BEAT_MS;
    if (silent && Date.now() - looked > LOOK_MS) {
      looked = Date.now();
      look();
    }
    if (news.readyState !== EventSource.CLOSED && !silent) return;
    // It was refused: whether somebody is still signed in here shows when the firm is asked.
    if (news.readyState === EventSource.CLOSED) look();
    anew();
  }, 10_000);
  // A stream from before there was no signal may hang without a word: with signal it is opened anew, which looks at once.
  window.addEventListener('online', anew);
  return () => {
    clearInterval(tick);
    window.removeEventListener('online', anew);
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
