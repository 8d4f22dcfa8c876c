import { ENTITY_NAMES, type EntityName, type FirmData, type Row } from '@tufa/contract/entities';
import { emptyFirmData } from '@tufa/contract/entities';
import { mergeRows } from '@tufa/contract/applyCommand';
import type { EntityManager } from 'typeorm';
import { prepared } from '../data/prepared';
import { TABLES, type FirmRow } from '../entities';

/** A stored row as it travels: without the firm and the setters, instants as text. */
export function wireRow(row: FirmRow): Row {
  const { firmId: _firm, setters: _setters, ...rest } = row;
  return Object.fromEntries(
    Object.entries(rest as Record<string, unknown>).map(([key, value]) => [key, value instanceof Date ? value.toISOString() : value]),
  ) as unknown as Row;
}

type Rows = Partial<Record<EntityName, Row[]>>;

const PAGE = 1000;
const SNAKE: Partial<Record<EntityName, string>> = { pourEvent: 'pour_event', stockLot: 'stock_lot', crewEntry: 'crew_entry', careVisit: 'care_visit' };
/** How an entity's table is called. */
export const tableOf = (name: EntityName): string => SNAKE[name] ?? name;

/** Where whoever follows a firm's changes has come to: the last number read and, where a page ended within it, the last row's id. */
export interface ChangesPlace {
  readonly since: number;
  readonly after?: string | undefined;
  /** rows of jobs that were closed before this day are left out, save of those */
  readonly closedBefore?: string | undefined;
  readonly back?: string | undefined;
}

/** A page of what changed, and the place after it. */
export interface ChangesPage {
  readonly cursor: number;
  readonly after?: string;
  readonly more: boolean;
  readonly rows: Rows;
}

/** Everything of the firm that changed after a place, in the order of change, a page at a time. Rows of one command share a number, and a file's or a release's may be more than a page. */
export async function changesSince(tx: EntityManager, { since, after, closedBefore, back = '' }: ChangesPlace): Promise<ChangesPage> {
  const [firm] = await tx.query<{ change_counter: string }[]>('select change_counter from firm');
  if (!after && Number(firm?.change_counter ?? 0) <= since) return { cursor: since, more: false, rows: {} };
  const beyond = after ? '(changed, id) > ($1, $2)' : 'changed > $1';
  const place = after ? [since, after] : [since];
  // What lies closed for long is no phone's daily load; the jobs themselves are: their names are looked for.
  const here = closedBefore ? ` and job_id not in (select id from job where closed_on < $${place.length + 1} and id <> all($${place.length + 2}::uuid[]))` : '';
  const isOfJob = (name: EntityName): boolean => (OF_JOB as readonly EntityName[]).includes(name);
  const union = ENTITY_NAMES.map(
    (name) =>
      `(select '${name}' as name, id, changed from ${tableOf(name)} where ${beyond}${isOfJob(name) ? here : ''} order by changed, id limit ${PAGE + 1})`,
  ).join(' union all ');
  const found = await prepared<{ name: EntityName; id: string; changed: string }>(tx, {
    name: `changes${after ? ' after' : ''}${closedBefore ? ' without closed' : ''}`,
    text: `${union} order by changed, id limit ${PAGE + 1}`,
    values: closedBefore ? [...place, closedBefore, back === '' ? [] : back.split(',')] : place,
  });
  const next = found[PAGE];
  // Rows of two tables may share an id: a page never ends between them.
  const taken = next ? found.filter(({ changed, id }) => changed !== next.changed || id !== next.id) : found;
  const rows = await rowsWhere(
    tx,
    ENTITY_NAMES.flatMap((name) => {
      const ids = taken.filter((row) => row.name === name).map(({ id }) => id);
      return ids.length > 0 ? [{ name, column: 'id', values: ids }] : [];
    }),
  );
  const last = taken.at(-1);
  const cursor = last ? Number(last.changed) : since;
  return { cursor, more: next !== undefined, rows, ...(next && last ? { after: last.id } : {}) };
}

/** Rows of one entity by a column of theirs; all of the firm's where no column is named. */
interface Wanted {
  readonly name: EntityName;
  readonly column?: 'id' | 'job_id';
  readonly values?: readonly string[];
}

/** Rows of several entities as they travel, by one query. */
async function rowsWhere(tx: EntityManager, wanted: readonly Wanted[]): Promise<Rows> {
  if (wanted.length === 0) return {};
  const parts = wanted.map(
    ({ name, column }, i) =>
      `select ${i} as i, row_to_json(t) as row from ${tableOf(name)} t${column ? ` where ${column} = any($${wanted.slice(0, i + 1).filter((part) => part.column).length})` : ''}`,
  );
  const found = await tx.query<{ i: number; row: Record<string, unknown> }[]>(
    parts.join(' union all '),
    wanted.flatMap(({ column, values = [] }) => (column ? [values] : [])),
  );
  const rows: Rows = {};
  for (const [i, { name }] of wanted.entries()) {
    const { columns } = tx.connection.getMetadata(TABLES[name]);
    const fields = columns.filter(({ propertyName }) => propertyName !== 'firmId' && propertyName !== 'setters');
    rows[name] = found
      .filter((entry) => entry.i === i)
      .map(
        ({ row }) =>
          Object.fromEntries(
            fields.map(({ propertyName, databaseName, type }) => {
              const value = row[databaseName];
              return [propertyName, type === 'timestamptz' && value !== null ? new Date(String(value)).toISOString() : value];
            }),
          ) as unknown as Row,
      );
  }
  return rows;
}

/** What belongs to a job. */
export const OF_JOB = ['element', 'finding', 'reading', 'forecast', 'photograph', 'treatment', 'plan', 'pourEvent'] as const;

const ofJob = (jobId: string): Wanted[] => [
  { name: 'job', column: 'id', values: [jobId] },
  ...OF_JOB.map((name): Wanted => ({ name, column: 'job_id', values: [jobId] })),
];

const asData = (rows: Rows): FirmData => mergeRows(emptyFirmData(), rows);

/** One job with what is in it, and nothing else of the firm. */
export const jobRows = async (tx: EntityManager, jobId: string): Promise<FirmData> => asData(await rowsWhere(tx, ofJob(jobId)));

const OF_FIRM = ['firm', 'person', 'product', 'sheet', 'stockLot', 'crewEntry', 'careVisit'] as const;
const ofFirm = OF_FIRM.map((name): Wanted => ({ name }));

/** One job laid over what was read of the firm before it. */
export const jobOver = async (tx: EntityManager, firm: FirmData, jobId: string): Promise<FirmData> => mergeRows(firm, await rowsWhere(tx, ofJob(jobId)));

/** The shelf and the settings that a plan needs, of no job. */
export const firmRows = async (tx: EntityManager): Promise<FirmData> => asData(await rowsWhere(tx, ofFirm));

/** One job whole, with the shelf and the settings a plan needs, as the phone would hold it. */
export const jobData = async (tx: EntityManager, jobId: string): Promise<FirmData> => asData(await rowsWhere(tx, [...ofJob(jobId), ...ofFirm]));
