import { DataSource } from 'typeorm';
import { withFirm } from '../src/data/withFirm';
import { makeSource } from '../src/data/source';
import { Job } from '../src/entities';
import { DEMO_FIRM_ID } from '../src/services/firm';
import { makeDatabase } from './harness';

const { migrations } = makeSource({ url: 'postgres://nowhere' }).options as unknown as { migrations: readonly (new () => object)[] };
const JOB = '0198a000-de00-7000-8000-00000000fff1';

test.each(migrations.slice(0, -1).map((migration, i) => [migration.name, i + 1] as const))(
  'a database that stands at %s comes up to today with what is in it',
  async (_, count) => {
    const database = await makeDatabase();
    const { options } = makeSource({ url: database.ownerUrl, most: 2 });
    const then = await new DataSource({ ...options, migrations: migrations.slice(0, count) } as typeof options).initialize();
    await then.runMigrations({ transaction: 'each' });
    await withFirm(then, DEMO_FIRM_ID, async (tx) => {
      await tx.query(
        `insert into firm (id, firm_id, name, settings, change_counter, version, changed) values ($1, $1, 'Then', '{"system":"us","currency":"USD"}', 1, 1, 1)`,
        [DEMO_FIRM_ID],
      );
      // From the doors on a firm is told of where it is made.
      const [doors] = await tx.query<{ there: boolean }[]>(`select to_regclass('firm_here') is not null as there`);
      if (doors!.there) await tx.query('insert into firm_here values ($1, true)', [DEMO_FIRM_ID]);
      await tx.query(
        `insert into job (id, firm_id, version, changed, name, customer, address, access_note, zone, crew, batch, demonstration)
         values ($1, $2, 1, 1, 'Of then', '', '', '', 'UTC', '{}', '{}', false)`,
        [JOB, DEMO_FIRM_ID],
      );
    });
    await then.destroy();
    const today = await makeSource({ url: database.ownerUrl, most: 2 }).initialize();
    await today.runMigrations({ transaction: 'each' });
    const [row] = await withFirm(today, DEMO_FIRM_ID, (tx) => tx.getRepository(Job).find());
    expect(row).toMatchObject({ id: JOB, name: 'Of then', closedOn: null });
    expect(await today.query('select firm_id from firm_here')).toEqual([{ firm_id: DEMO_FIRM_ID }]);
    await today.destroy();
    await database.drop();
  },
  60_000,
);
