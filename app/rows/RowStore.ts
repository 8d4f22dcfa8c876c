import type { EntityName, Row, RowOf } from '@tufa/contract/entities';
import type { DBSchema, IDBPObjectStore, StoreNames } from 'idb';
import { keptDatabase } from '../parts/phone/storage';
import { isOfJob, noFirmRows, noJobRows, OF_FIRM, type FirmRows, type JobRows, type OfFirm, type OfJob, type Page, type Place, type Touched } from './shape';
import { pictureOf, standingOf, type Picture, type Standing } from './standing';

/** Everything that a first screen shows, read at once. */
export interface Overview {
  readonly place: Place | null;
  readonly firm: FirmRows;
  readonly jobs: Readonly<Record<string, RowOf<'job'>>>;
  readonly standings: Readonly<Record<string, Standing>>;
}

/** What changed, read anew. */
export interface Renewed {
  readonly place: Place | null;
  readonly firm: readonly { readonly name: OfFirm; readonly row: Row }[];
  readonly jobs: readonly RowOf<'job'>[];
  readonly standings: Readonly<Record<string, Standing>>;
  readonly rows: Readonly<Record<string, readonly { readonly name: OfJob; readonly row: Row }[]>>;
}

/** Where the firm's rows are kept, each by itself. */
export interface RowStore {
  readonly place: () => Promise<Place | null>;
  readonly overview: () => Promise<Overview>;
  readonly jobRows: (jobId: string) => Promise<JobRows>;
  /** the job that a row is of; null where it is not here */
  readonly jobOf: (name: OfJob, id: string) => Promise<string | null>;
  readonly pictures: (jobIds: readonly string[]) => Promise<ReadonlyMap<string, Picture>>;
  /** what was touched, read anew; of jobs' rows only those of the jobs that are open */
  readonly renewed: (touched: Touched, open: readonly string[]) => Promise<Renewed>;
  /** lets the rows of some jobs go; the jobs themselves stay */
  readonly leave: (jobIds: readonly string[]) => Promise<void>;
  /** keeps a page and the place after it, or nothing of either; the state of each job whose rows changed is made anew */
  readonly keep: (page: Page, place: Place) => Promise<Touched>;
}

interface RowsSchema extends DBSchema {
  firm: { key: [OfFirm, string]; value: { name: OfFirm; row: Row } };
  job: { key: string; value: RowOf<'job'> };
  ofJob: { key: [string, OfJob, string]; value: { name: OfJob; row: Row } };
  standing: { key: string; value: Standing & { jobId: string } };
  picture: { key: string; value: Picture };
  meta: { key: string; value: Place };
}

const kept = keptDatabase<RowsSchema>('tufa-firm', 1, (db) => {
  db.createObjectStore('firm');
  db.createObjectStore('job', { keyPath: 'id' });
  db.createObjectStore('ofJob');
  db.createObjectStore('standing', { keyPath: 'jobId' });
  db.createObjectStore('picture');
  db.createObjectStore('meta');
});

const ofJobKeys = (jobId: string): IDBKeyRange => IDBKeyRange.bound([jobId], [jobId, []]);

/** Rows under their names as tables by id. */
function tablesOf<T extends object>(empty: T, rows: readonly { readonly name: keyof T & string; readonly row: Row }[]): T {
  const tables = empty as Record<string, Record<string, Row>>;
  for (const { name, row } of rows) tables[name]![row.id] = row;
  return tables as T;
}

const byId = <R extends { id: string }>(rows: readonly R[]): Record<string, R> => Object.fromEntries(rows.map((row) => [row.id, row]));
const standingsOf = (rows: readonly (Standing & { jobId: string })[]): Record<string, Standing> => Object.fromEntries(rows.map((row) => [row.jobId, row]));
const there = <T>(values: readonly (T | undefined)[]): T[] => values.filter((value): value is T => value !== undefined);

/** Sorts a page's rows by where they are kept. */
function sorted(page: Page): { firm: { name: OfFirm; row: Row }[]; jobs: RowOf<'job'>[]; rows: Map<string, { name: OfJob; row: Row }[]> } {
  const [firm, jobs, rows]: [{ name: OfFirm; row: Row }[], RowOf<'job'>[], Map<string, { name: OfJob; row: Row }[]>] = [[], [], new Map()];
  for (const [name, list] of Object.entries(page) as [EntityName, readonly Row[]][])
    for (const row of list) {
      if (name === 'job') jobs.push(row as RowOf<'job'>);
      else if (isOfJob(name)) {
        const { jobId } = row as RowOf<OfJob>;
        const ofJob = rows.get(jobId);
        if (ofJob) ofJob.push({ name, row });
        else rows.set(jobId, [{ name, row }]);
      } else if ((OF_FIRM as readonly string[]).includes(name)) firm.push({ name, row });
    }
  return { firm, jobs, rows };
}

type OfJobStore = Pick<IDBPObjectStore<RowsSchema, StoreNames<RowsSchema>[], 'ofJob', IDBTransactionMode>, 'getAll'>;
const jobRowsIn = async (store: OfJobStore, jobId: string): Promise<JobRows> => tablesOf(noJobRows(), await store.getAll(ofJobKeys(jobId)));

/** The firm's rows in this browser's own database. */
export const browserRows: RowStore = {
  place: () => kept.use(async (db) => (await db.get('meta', 'place')) ?? null),
  overview: () =>
    kept.use(async (db) => {
      const tx = db.transaction(['meta', 'firm', 'job', 'standing']);
      const [place, firm, jobs, standings] = await Promise.all([
        tx.objectStore('meta').get('place'),
        tx.objectStore('firm').getAll(),
        tx.objectStore('job').getAll(),
        tx.objectStore('standing').getAll(),
      ]);
      return { place: place ?? null, firm: tablesOf(noFirmRows(), firm), jobs: byId(jobs), standings: standingsOf(standings) };
    }),
  jobRows: (jobId) => kept.use((db) => jobRowsIn(db.transaction('ofJob').store, jobId)),
  jobOf: (name, id) => kept.use(async (db) => (await db.getAllKeys('ofJob')).find(([, of, row]) => of === name && row === id)?.[0] ?? null),
  pictures: (jobIds) =>
    kept.use(async (db) => {
      const { store } = db.transaction('picture');
      const found = await Promise.all(jobIds.map(async (jobId) => [jobId, await store.get(jobId)] as const));
      return new Map(found.flatMap(([jobId, picture]) => (picture ? [[jobId, picture] as const] : [])));
    }),
  renewed: (touched, open) =>
    kept.use(async (db) => {
      const tx = db.transaction(['meta', 'firm', 'job', 'standing', 'ofJob']);
      const ofOpen = open.flatMap((jobId) => (touched.rows[jobId] ? [[jobId, touched.rows[jobId]] as const] : []));
      const [place, firm, jobs, standings, rows] = await Promise.all([
        tx.objectStore('meta').get('place'),
        Promise.all(touched.firm.map(([name, id]) => tx.objectStore('firm').get([name, id]))),
        Promise.all(touched.jobs.map((id) => tx.objectStore('job').get(id))),
        Promise.all(Object.keys(touched.rows).map((jobId) => tx.objectStore('standing').get(jobId))),
        Promise.all(
          ofOpen.map(
            async ([jobId, keys]) => [jobId, there(await Promise.all(keys.map(([name, id]) => tx.objectStore('ofJob').get([jobId, name, id]))))] as const,
          ),
        ),
      ]);
      return { place: place ?? null, firm: there(firm), jobs: there(jobs), standings: standingsOf(there(standings)), rows: Object.fromEntries(rows) };
    }),
  leave: (jobIds) =>
    kept.use(async (db) => {
      const tx = db.transaction(['ofJob', 'standing', 'picture'], 'readwrite');
      await Promise.all([
        ...jobIds.flatMap((jobId) => [
          tx.objectStore('ofJob').delete(ofJobKeys(jobId)),
          tx.objectStore('standing').delete(jobId),
          tx.objectStore('picture').delete(jobId),
        ]),
        tx.done,
      ]);
    }),
  keep: (page, place) =>
    kept.use(async (db) => {
      const { firm, jobs, rows } = sorted(page);
      const tx = db.transaction(['firm', 'job', 'ofJob', 'standing', 'picture', 'meta'], 'readwrite');
      const ofJob = tx.objectStore('ofJob');
      await Promise.all([
        ...firm.map((entry) => tx.objectStore('firm').put(entry, [entry.name, entry.row.id])),
        ...jobs.map((row) => tx.objectStore('job').put(row)),
        ...[...rows].flatMap(([jobId, list]) => list.map((entry) => ofJob.put(entry, [jobId, entry.name, entry.row.id]))),
        ...[...rows.keys()].map(async (jobId) => {
          const all = await jobRowsIn(ofJob, jobId);
          await Promise.all([tx.objectStore('standing').put({ jobId, ...standingOf(all) }), tx.objectStore('picture').put(pictureOf(all), jobId)]);
        }),
        tx.objectStore('meta').put(place, 'place'),
        tx.done,
      ]);
      return touchedBy({ firm, jobs, rows });
    }),
};

const touchedBy = ({ firm, jobs, rows }: ReturnType<typeof sorted>): Touched => ({
  firm: firm.map(({ name, row }) => [name, row.id] as const),
  jobs: jobs.map(({ id }) => id),
  rows: Object.fromEntries([...rows].map(([jobId, list]) => [jobId, list.map(({ name, row }) => [name, row.id] as const)])),
});

/** The firm's rows in memory, for a browser that keeps nothing: gone with the page. */
export function memoryRows(): RowStore {
  let at: Place | null = null;
  const firmRows = noFirmRows();
  const jobRows: Record<string, RowOf<'job'>> = {};
  const ofJobs = new Map<string, JobRows>();
  const of = (jobId: string): JobRows => ofJobs.get(jobId) ?? noJobRows();
  const standings = (jobIds: Iterable<string>): Record<string, Standing> => Object.fromEntries([...jobIds].map((jobId) => [jobId, standingOf(of(jobId))]));
  const rowOf = (tables: object, [name, id]: readonly [string, string]): Row | undefined => (tables as Record<string, Record<string, Row>>)[name]?.[id];
  return {
    place: async () => at,
    overview: async () => ({ place: at, firm: copied(firmRows), jobs: { ...jobRows }, standings: standings(ofJobs.keys()) }),
    jobRows: async (jobId) => of(jobId),
    jobOf: async (name, id) => [...ofJobs].find(([, rows]) => rowOf(rows, [name, id]))?.[0] ?? null,
    pictures: async (jobIds) => new Map(jobIds.map((jobId) => [jobId, pictureOf(of(jobId))])),
    renewed: async (touched, open) => ({
      place: at,
      firm: touched.firm.flatMap((key) => (rowOf(firmRows, key) ? [{ name: key[0], row: rowOf(firmRows, key)! }] : [])),
      jobs: there(touched.jobs.map((id) => jobRows[id])),
      standings: standings(Object.keys(touched.rows)),
      rows: Object.fromEntries(
        open.map((jobId) => [
          jobId,
          (touched.rows[jobId] ?? []).flatMap((key) => (rowOf(of(jobId), key) ? [{ name: key[0], row: rowOf(of(jobId), key)! }] : [])),
        ]),
      ),
    }),
    leave: async (jobIds) => {
      for (const jobId of jobIds) ofJobs.delete(jobId);
    },
    keep: async (page, place) => {
      const came = sorted(page);
      tablesOf(firmRows, came.firm);
      for (const row of came.jobs) jobRows[row.id] = row;
      for (const [jobId, list] of came.rows) ofJobs.set(jobId, tablesOf(copied(of(jobId)), list));
      at = place;
      return touchedBy(came);
    },
  };
}

/** Tables of their own: what was handed out before stays as it was. */
const copied = <T extends object>(tables: T): T => Object.fromEntries(Object.entries(tables).map(([name, table]) => [name, { ...(table as object) }])) as T;
