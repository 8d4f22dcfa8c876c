import type { EntityName, Row } from '@tufa/contract/entities';
import type { EntityManager } from 'typeorm';
import { TABLES, type FirmRow } from '../entities';
import { wireRow } from '../services/rows';

const PAGE = 500;

/** A firm's rows of one entity, a page at a time, in the order of change: what a row names was there before it. */
export async function* rowPages(tx: EntityManager, name: EntityName): AsyncGenerator<Row[]> {
  let last: FirmRow | undefined;
  for (;;) {
    const query = tx.getRepository(TABLES[name]).createQueryBuilder('row').orderBy('row.changed').addOrderBy('row.id').take(PAGE);
    if (last) query.where('(row.changed, row.id) > (:changed, :id)', { changed: last.changed, id: last.id });
    const page = await query.getMany();
    if (page.length > 0) yield page.map(wireRow);
    if (page.length < PAGE) return;
    last = page.at(-1);
  }
}
