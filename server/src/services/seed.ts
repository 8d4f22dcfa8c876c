import { aids, catalogue } from '@tufa/core/shelf/catalogue';
import { DEFAULT_FIRM } from '@tufa/core/plan';
import { PLAIN, say } from '@tufa/words';
import type { DataSource, EntityManager } from 'typeorm';
import { TABLES } from '../entities';
import type { EntityName } from '@tufa/contract/entities';
import { withFirm } from '../data/withFirm';
import { readDemonstration, type DemoRow } from './demonstration';
import { DEMO_FIRM_ID } from './firm';

const PEOPLE = [
  { id: '0198a000-9e09-7000-8000-000000000001', role: 'lead' },
  { id: '0198a000-9e09-7000-8000-000000000002', role: 'mixer' },
  { id: '0198a000-9e09-7000-8000-000000000003', role: 'finisher' },
] as const;

const insert = (tx: EntityManager, name: EntityName, id: string, fields: object, changed: number): Promise<unknown> =>
  tx.getRepository(TABLES[name]).insert({ id, firmId: DEMO_FIRM_ID, version: 1, changed, removed: false, setters: {}, ...fields } as never);

const SEEDING = 716_1983;

/**
 * Fills an empty database: the firm with its roles, the shipped shelf and, unless `empty`, the demonstration's jobs.
 * On later starts the demonstration jobs nobody has touched are anchored to now again.
 */
export async function seed({ owner, clock, empty, demo }: { owner: DataSource; clock: () => Date; empty: boolean; demo: string }): Promise<void> {
  await withFirm(owner, DEMO_FIRM_ID, async (tx) => {
    // Of several servers that start on one database, one fills it.
    await tx.query('select pg_advisory_xact_lock($1)', [SEEDING]);
    const [present] = await tx.query<{ change_counter: string }[]>('select change_counter from firm');
    if (!present) {
      await insert(tx, 'firm', DEMO_FIRM_ID, { name: say(PLAIN, empty ? 'seed.firm' : 'seed.demoFirm'), settings: DEFAULT_FIRM }, 1);
      for (const { id, role } of PEOPLE) await insert(tx, 'person', id, { role, name: say(PLAIN, `role.${role}`) }, 1);
      await stockShelf(tx, 1);
      if (!empty) for (const row of readDemonstration(demo, clock())) await insert(tx, row.name, row.id, row.fields, 2);
      await tx.query('update firm set change_counter = 2');
      return;
    }
    if (await stockShelf(tx, Number(present.change_counter) + 1)) {
      present.change_counter = String(Number(present.change_counter) + 1);
      await tx.query('update firm set change_counter = $1', [present.change_counter]);
    }
    if (!empty) await anchorAfresh(tx, readDemonstration(demo, clock()), Number(present.change_counter));
  });
}

/** Puts the shipped sheets on the shelf that are not there yet: a release may bring more. @returns whether any was missing */
async function stockShelf(tx: EntityManager, changed: number): Promise<boolean> {
  const seeded = new Set((await tx.query<{ id: string }[]>('select id from sheet')).map(({ id }) => id));
  const missing = [...catalogue, ...aids].filter(({ id }) => !seeded.has(id));
  for (const sheet of missing) {
    await insert(tx, 'product', sheet.productId, { name: sheet.name, class: sheet.class }, changed);
    await insert(tx, 'sheet', sheet.id, { productId: sheet.productId, revision: sheet.revision, sheet }, changed);
  }
  return missing.length > 0;
}

/** Times of an untouched demonstration job move with the day; one command on any of its rows and it is the user's. */
async function anchorAfresh(tx: EntityManager, rows: readonly DemoRow[], counter: number): Promise<void> {
  let moved = false;
  for (const job of rows.filter(({ name }) => name === 'job')) {
    const ofJob = rows.filter(({ id, fields }) => id === job.id || fields['jobId'] === job.id);
    const [touched] = (await tx.query(`select 1 from command where target = any($1) or change->>'jobId' = $2 limit 1`, [
      ofJob.map(({ id }) => id),
      job.id,
    ])) as unknown[];
    if (touched) continue;
    for (const { name, id, fields } of ofJob) {
      const times = Object.fromEntries(Object.entries(fields).filter(([field]) => ['pourOn', 'takenAt', 'deviceAt', 'receivedAt'].includes(field)));
      if (Object.keys(times).length === 0) continue;
      await tx.getRepository(TABLES[name]).update({ id }, { ...times, changed: counter + 1 } as never);
      moved = true;
    }
  }
  if (moved) await tx.query('update firm set change_counter = $1', [counter + 1]);
}
