import { aids, catalogue } from '@tufa/core/shelf/catalogue';
import type { EntityManager } from 'typeorm';
import { TABLES } from '../entities';

/** Puts the shipped sheets on a firm's shelf that are not there yet: a release may bring more. @returns whether any was missing */
export async function stockShelf(tx: EntityManager, { firmId, changed }: { firmId: string; changed: number }): Promise<boolean> {
  const seeded = new Set((await tx.query<{ id: string }[]>('select id from sheet')).map(({ id }) => id));
  const missing = [...catalogue, ...aids].filter(({ id }) => !seeded.has(id));
  const row = { firmId, version: 1, changed, removed: false, setters: {} };
  for (const sheet of missing) {
    await tx.getRepository(TABLES.product).insert({ ...row, id: sheet.productId, name: sheet.name, class: sheet.class } as never);
    await tx.getRepository(TABLES.sheet).insert({ ...row, id: sheet.id, productId: sheet.productId, revision: sheet.revision, sheet } as never);
  }
  return missing.length > 0;
}
