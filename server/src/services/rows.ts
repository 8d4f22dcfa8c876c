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

/** Everything of the firm that changed after a counter, in the order of change, a page at a time. */
export async function changesSince(tx: EntityManager, since: number): Promise<{ cursor: number; more: boolean; rows: Rows }> {
  const union = ENTITY_NAMES.map((name) => `select '${name}' as name, id, changed from ${SNAKE[name] ?? name} where changed > $1`).join(' union all ');
  const found = (await tx.query(`${union} order by changed limit ${PAGE + 1}`, [since])) as { name: EntityName; id: string; changed: string }[];
  const more = found.length > PAGE;
  // Rows of one command share a number: a page never ends between them.
  const last = more ? Number(found[PAGE]?.changed) : Infinity;
  const page = found.filter(({ changed }) => Number(changed) < last);
  const taken = page.length > 0 ? page : found;
  const rows: Rows = {};
  for (const name of ENTITY_NAMES) {
    const ids = taken.filter((row) => row.name === name).map(({ id }) => id);
    if (ids.length > 0) rows[name] = (await tx.getRepository(TABLES[name]).findBy({ id: In(ids) })).map(wireRow);
  }
  return { cursor: taken.reduce((most, { changed }) => Math.max(most, Number(changed)), since), more, rows };
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
