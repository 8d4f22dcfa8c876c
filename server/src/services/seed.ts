import { DEFAULT_FIRM } from '@tufa/core/plan';
import { PLAIN, say } from '@tufa/words';
import type { DataSource, EntityManager } from 'typeorm';
import { TABLES } from '../entities';
import type { EntityName } from '@tufa/contract/entities';
import { withFirm } from '../data/withFirm';
import { readDemonstration, type DemoRow } from './demonstration';
import { DEMO_FIRM_ID } from './firm';
import { stockShelf } from './stockShelf';

/** Roles of the demonstration, in the order in which they are offered. */
const PEOPLE = [
  { id: '0198a000-9e09-7000-8000-000000000001', role: 'lead' },
  { id: '0198a000-9e09-7000-8000-000000000002', role: 'mixer' },
  { id: '0198a000-9e09-7000-8000-000000000003', role: 'finisher' },
  { id: '0198a000-9e09-7000-8000-000000000004', role: 'owner' },
  { id: '0198a000-9e09-7000-8000-000000000005', role: 'reader' },
] as const;

const insert = (tx: EntityManager, name: EntityName, id: string, fields: object, changed: number): Promise<unknown> =>
  tx.getRepository(TABLES[name]).insert({ id, firmId: DEMO_FIRM_ID, version: 1, changed, removed: false, setters: {}, ...fields } as never);

const SEEDING = 716_1983;

/**
 * Fills an empty database with the demonstration: its firm with its roles, the shipped shelf and its jobs. On later
 * starts the jobs nobody has touched are anchored to now again, and every firm gets what sheets a release brought.
 *
 * @param empty without the demonstration: firms are made by whoever has a code
 */
export async function seed({ owner, clock, empty, demo }: { owner: DataSource; clock: () => Date; empty: boolean; demo: string }): Promise<void> {
  // Of several servers that start on one database, one fills it.
  const runner = owner.createQueryRunner();
  await runner.connect();
  await runner.query('select pg_advisory_lock($1)', [SEEDING]);
  try {
    const firms = (await owner.query('select firm_id from firm_here')) as { firm_id: string }[];
    for (const { firm_id: firmId } of firms) await withFirm(owner, firmId, (tx) => restock(tx, firmId));
    if (!empty) await withFirm(owner, DEMO_FIRM_ID, (tx) => seedDemonstration(tx, readDemonstration(demo, clock())));
  } finally {
    await runner.query('select pg_advisory_unlock($1)', [SEEDING]);
    await runner.release();
  }
}

async function restock(tx: EntityManager, firmId: string): Promise<void> {
  const [present] = await tx.query<{ change_counter: string }[]>('select change_counter from firm for update');
  const changed = Number(present!.change_counter) + 1;
  if (await stockShelf(tx, { firmId, changed })) await tx.query('update firm set change_counter = $1', [changed]);
}

async function seedDemonstration(tx: EntityManager, rows: readonly DemoRow[]): Promise<void> {
  const [present] = await tx.query<{ change_counter: string }[]>('select change_counter from firm');
  if (present) {
    await joinLater(tx, Number(present.change_counter));
    return anchorAfresh(tx, rows, Number(present.change_counter) + 1);
  }
  await insert(tx, 'firm', DEMO_FIRM_ID, { name: say(PLAIN, 'seed.demoFirm'), settings: DEFAULT_FIRM }, 1);
  await tx.query('insert into firm_here values ($1, true)', [DEMO_FIRM_ID]);
  for (const { id, role } of PEOPLE) await insert(tx, 'person', id, { role, name: say(PLAIN, `role.${role}`) }, 1);
  await stockShelf(tx, { firmId: DEMO_FIRM_ID, changed: 1 });
  for (const row of rows) await insert(tx, row.name, row.id, row.fields, 2);
  await tx.query('update firm set change_counter = 2');
}

/** Roles that a release brought. */
async function joinLater(tx: EntityManager, counter: number): Promise<void> {
  const there = new Set((await tx.query<{ id: string }[]>('select id from person')).map(({ id }) => id));
  const missing = PEOPLE.filter(({ id }) => !there.has(id));
  for (const { id, role } of missing) await insert(tx, 'person', id, { role, name: say(PLAIN, `role.${role}`) }, counter + 1);
  if (missing.length > 0) await tx.query('update firm set change_counter = $1', [counter + 1]);
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
