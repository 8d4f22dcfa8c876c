import { ENTITY_NAMES, type EntityName, type FirmData, type Row } from '@tufa/contract/entities';
import { emptyFirmData } from '@tufa/contract/entities';
import { mergeRows } from '@tufa/contract/applyCommand';
import { In, type EntityManager } from 'typeorm';
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
const SNAKE: Partial<Record<EntityName, string>> = { pourEvent: 'pour_event', stockLot: 'stock_lot' };

/** Where whoever follows a firm's changes has come to: the last number read and, where a page ended within it, the last row's id. */
export interface ChangesPlace {
  readonly since: number;
  readonly after?: string | undefined;
}

/** A page of what changed, and the place after it. */
export interface ChangesPage {
  readonly cursor: number;
  readonly after?: string;
  readonly more: boolean;
  readonly rows: Rows;
}

/** Everything of the firm that changed after a place, in the order of change, a page at a time. Rows of one command share a number, and a file's or a release's may be more than a page. */
export async function changesSince(tx: EntityManager, { since, after }: ChangesPlace): Promise<ChangesPage> {
  const [firm] = (await tx.query('select change_counter from firm')) as { change_counter: string }[];
  if (!after && Number(firm?.change_counter ?? 0) <= since) return { cursor: since, more: false, rows: {} };
  const beyond = after ? '(changed, id) > ($1, $2)' : 'changed > $1';
  const union = ENTITY_NAMES.map(
    (name) => `(select '${name}' as name, id, changed from ${SNAKE[name] ?? name} where ${beyond} order by changed, id limit ${PAGE + 1})`,
  ).join(' union all ');
  const found = (await tx.query(`${union} order by changed, id limit ${PAGE + 1}`, after ? [since, after] : [since])) as {
    name: EntityName;
    id: string;
    changed: string;
  }[];
  const next = found[PAGE];
  // Rows of two tables may share an id: a page never ends between them.
  const taken = next ? found.filter(({ changed, id }) => changed !== next.changed || id !== next.id) : found;
  const rows: Rows = {};
  for (const name of ENTITY_NAMES) {
    const ids = taken.filter((row) => row.name === name).map(({ id }) => id);
    if (ids.length > 0) rows[name] = (await tx.getRepository(TABLES[name]).findBy({ id: In(ids) })).map(wireRow);
  }
  const last = taken.at(-1);
  const cursor = last ? Number(last.changed) : since;
  return { cursor, more: next !== undefined, rows, ...(next && last ? { after: last.id } : {}) };
}

/** One job whole, with the shelf and the settings a plan needs, as the phone would hold it. */
export async function jobData(tx: EntityManager, jobId: string): Promise<FirmData> {
  const rows: Rows = {};
  for (const name of ENTITY_NAMES) {
    const where = name === 'job' ? { id: jobId } : ['firm', 'person', 'product', 'sheet', 'stockLot'].includes(name) ? {} : { jobId };
    rows[name] = (await tx.getRepository(TABLES[name]).findBy(where as object)).map(wireRow);
  }
  return mergeRows(emptyFirmData(), rows);
}
