import { entityOf } from '@tufa/contract/applyCommand';
import type { Command } from '@tufa/contract/commands';
import type { FirmData } from '@tufa/contract/entities';
import { isAway } from './closedJobs';
import type { Page, Place, FirmRows, JobRows, Touched } from './shape';
import { isOfJob, noFirmRows } from './shape';
import { browserRows, memoryRows, type Renewed, type RowStore } from './RowStore';
import type { Picture, Standing } from './standing';

/** What the screens have of the firm's rows: the firm's and the jobs' themselves, where each job stands, and the rows of the jobs that are looked at. */
export interface RowsOnPhone {
  /** whether the whole firm is on this phone */
  readonly ready: boolean;
  readonly clockOffset: number;
  readonly firm: FirmRows;
  readonly jobs: FirmData['job'];
  readonly standings: Readonly<Record<string, Standing>>;
  readonly open: Readonly<Record<string, JobRows>>;
  readonly pictures: Readonly<Record<string, Picture>>;
}

const NOTHING: RowsOnPhone = { ready: false, clockOffset: 0, firm: noFirmRows(), jobs: {}, standings: {}, open: {}, pictures: {} };

/** So many jobs' rows are kept in memory at once; of those that nobody looks at, the one opened longest ago is let go. */
const OPEN_MOST = 12;

/**
 * The firm's rows on this phone, as far as the screens look at them. What is kept is read from the store and never held
 * whole: a thousand jobs cost no more than the lines that are shown of them.
 */
export class PhoneRows {
  private phone = NOTHING;
  private readonly listeners = new Set<() => void>();
  private readonly wanted = new Map<string, Promise<void>>();
  private turn: Promise<unknown> = Promise.resolve();
  private readonly lookers = new Map<string, number>();
  private readonly picturesWanted = new Set<string>();
  private readonly channel = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('tufa-rows');
  private store: RowStore;

  constructor(store: RowStore = browserRows) {
    this.store = store;
    this.channel?.addEventListener('message', ({ data }: MessageEvent<Touched>) => void this.renew(data));
  }

  subscribe = (listener: () => void): (() => void) => {
    this.listeners.add(listener);
    return () => this.listeners.delete(listener);
  };

  snapshot = (): RowsOnPhone => this.phone;

  /** Reads what a first screen shows. A browser that keeps nothing holds what comes in memory. */
  async load(): Promise<void> {
    const overview = await this.store.overview().catch(() => {
      this.store = memoryRows();
      return this.store.overview();
    });
    const { place, firm, jobs, standings } = overview;
    this.set({ ...this.phone, ready: place?.whole ?? false, clockOffset: place?.clockOffset ?? 0, firm, jobs, standings });
  }

  /** Holds the rows of another store in the place of what was held. */
  async of(store: RowStore): Promise<void> {
    this.store = store;
    this.wanted.clear();
    this.phone = NOTHING;
    await this.load();
  }

  place = (): Promise<Place | null> => this.store.place();

  /** Keeps a page on this thread. */
  keep = (page: Page, place: Place): Promise<Touched> => this.store.keep(page, place);

  /** The job that a command's row is of; null for a row of the firm's, or one that is not here. */
  async jobOf({ kind, target, change }: Pick<Command, 'kind' | 'target' | 'change'>): Promise<string | null> {
    const name = entityOf({ kind });
    if (!isOfJob(name)) return null;
    if ('jobId' in change && typeof change.jobId === 'string') return change.jobId;
    return this.store.jobOf(name, target).catch(() => null);
  }

  /** Lets the rows of jobs go that are closed for long and that nobody looks at; whatever waits to be sent is laid over them when they are back. */
  leave(waits: (jobId: string) => boolean): Promise<void> {
    return this.inTurn(async () => {
      const gone = Object.values(this.phone.jobs).filter((job) => isAway(job) && this.phone.standings[job.id] && !this.lookers.has(job.id) && !waits(job.id));
      if (gone.length === 0) return;
      const ids = new Set(gone.map(({ id }) => id));
      await this.store.leave([...ids]);
      for (const id of ids) this.wanted.delete(id);
      const without = <T>(table: Readonly<Record<string, T>>): Record<string, T> => Object.fromEntries(Object.entries(table).filter(([id]) => !ids.has(id)));
      const { standings, open, pictures } = this.phone;
      this.set({ ...this.phone, standings: without(standings), open: without(open), pictures: without(pictures) });
    });
  }

  /** Keeps a job that has come back. */
  async back(page: Page): Promise<void> {
    const place = await this.store.place();
    if (place) await this.touched(await this.store.keep(page, place));
  }

  /** Whether what is kept is kept by the browser, where another thread can keep it too. */
  isKept = (): boolean => this.store === browserRows;

  /** One reading after the other: what was read before something was kept never comes over what was read after it. */
  private inTurn<T>(work: () => Promise<T>): Promise<T> {
    const turn = this.turn.then(work);
    this.turn = turn.catch(() => undefined);
    return turn;
  }

  /** Sees to it that a job's rows are phone. */
  open(jobId: string): Promise<void> {
    const known = this.wanted.get(jobId);
    if (known) return known;
    const reading = this.inTurn(async () => {
      const rows = await this.store.jobRows(jobId);
      this.set({ ...this.phone, open: { ...this.letGo(), [jobId]: rows } });
    }).catch(() => void this.wanted.delete(jobId));
    this.wanted.set(jobId, reading);
    return reading;
  }

  /** Holds a job's rows for as long as somebody looks at them. @returns what ends it */
  hold(jobId: string): () => void {
    this.lookers.set(jobId, (this.lookers.get(jobId) ?? 0) + 1);
    void this.open(jobId);
    return () => {
      const left = (this.lookers.get(jobId) ?? 1) - 1;
      if (left > 0) this.lookers.set(jobId, left);
      else this.lookers.delete(jobId);
    };
  }

  private letGo(): Record<string, JobRows> {
    const open = { ...this.phone.open };
    const idle = Object.keys(open).filter((jobId) => !this.lookers.has(jobId));
    for (const jobId of idle.slice(0, Math.max(0, Object.keys(open).length - OPEN_MOST + 1))) {
      delete open[jobId];
      this.wanted.delete(jobId);
    }
    return open;
  }

  /** Sees to it that a job's small picture is phone; all that are asked for in one breath are read at once. */
  wantPicture(jobId: string): void {
    if (this.phone.pictures[jobId] || this.picturesWanted.has(jobId)) return;
    if (this.picturesWanted.size === 0)
      queueMicrotask(() => {
        const jobIds = [...this.picturesWanted];
        this.picturesWanted.clear();
        void this.store.pictures(jobIds).then((found) => this.set({ ...this.phone, pictures: { ...this.phone.pictures, ...Object.fromEntries(found) } }));
      });
    this.picturesWanted.add(jobId);
  }

  /** Reads anew what was touched, here and in the other pages of this phone. */
  async touched(touched: Touched): Promise<void> {
    this.channel?.postMessage(touched);
    await this.renew(touched);
  }

  private renew(touched: Touched): Promise<void> {
    return this.inTurn(async () => {
      if (!this.phone.ready) return this.first();
      const { place, jobs, standings, firm, rows } = await this.store.renewed(touched, Object.keys(this.phone.open));
      const { phone } = this;
      this.set({
        ready: true,
        clockOffset: place?.clockOffset ?? phone.clockOffset,
        firm: firm.length > 0 ? laidOver(phone.firm, firm) : phone.firm,
        jobs: jobs.length > 0 ? { ...phone.jobs, ...Object.fromEntries(jobs.map((row) => [row.id, row])) } : phone.jobs,
        standings: { ...phone.standings, ...standings },
        open: Object.entries(rows).reduce(
          (open, [jobId, came]) => (came.length > 0 && open[jobId] ? { ...open, [jobId]: laidOver(open[jobId], came) } : open),
          phone.open,
        ),
        pictures: Object.fromEntries(Object.entries(phone.pictures).filter(([jobId]) => !touched.rows[jobId])),
      });
    });
  }

  /** A first pull shows nothing as the whole before it is; then all of it is read at once, with the jobs that were opened before it had come. */
  private async first(): Promise<void> {
    const place = await this.store.place();
    if (!place?.whole) return;
    const { firm, jobs, standings } = await this.store.overview();
    const open = await Promise.all(Object.keys(this.phone.open).map(async (jobId) => [jobId, await this.store.jobRows(jobId)] as const));
    this.set({ ...this.phone, ready: true, clockOffset: place.clockOffset, firm, jobs, standings, open: Object.fromEntries(open) });
  }

  private set(phone: RowsOnPhone): void {
    this.phone = phone;
    for (const listener of this.listeners) listener();
  }
}

/** Tables with rows laid over them; a table of which nothing came stays the same one. */
function laidOver<T extends object>(tables: T, rows: Renewed['firm'] | Renewed['rows'][string]): T {
  const next = { ...tables } as Record<string, Record<string, unknown>>;
  const copied = new Set<string>();
  for (const { name, row } of rows) {
    if (!copied.has(name)) next[name] = { ...next[name] };
    copied.add(name);
    next[name]![row.id] = row;
  }
  return next as T;
}

/** This phone's rows. */
export const phoneRows = new PhoneRows();
