import './browser';
import { emptyFirmData, type EntityName, type FirmData, type Row } from '@tufa/contract/entities';
import fc from 'fast-check';
import { keepOld, keepPage } from '../rows/keepPage';
import { PhoneRows } from '../rows/PhoneRows';
import { browserRows, memoryRows } from '../rows/RowStore';
import type { Page, Place } from '../rows/shape';
import { demonstration, firmWith } from './demonstration';

const WHOLE: Place = { cursor: 7, whole: true, clockOffset: 0 };
const all = firmWith();
const rows = (Object.entries(all) as [EntityName, Record<string, Row>][]).flatMap(([name, table]) => Object.values(table).map((row) => ({ name, row })));
const pageOf = (some: readonly { name: EntityName; row: Row }[]): Page => {
  const page: Partial<Record<EntityName, Row[]>> = {};
  for (const { name, row } of some) (page[name] ??= []).push(row);
  return page;
};
const [dock, wall] = [demonstration[0]!.job.id, demonstration[2]!.job.id];
const bytes = (value: unknown): ArrayBuffer => new TextEncoder().encode(JSON.stringify(value)).buffer;
const answer = (page: Page, more: boolean, cursor = 7) => bytes({ cursor, more, rows: page, serverTime: '2026-05-12T08:00:10.000Z' });

test('rows that come in any order and any pieces are kept as if they had come at once, in the browser and in memory alike', async () => {
  await fc.assert(
    fc.asyncProperty(
      fc.shuffledSubarray(rows, { minLength: rows.length }),
      fc.array(fc.integer({ min: 1, max: 90 }), { minLength: 1, maxLength: 4 }),
      async (shuffled, cuts) => {
        const memory = memoryRows();
        let left = shuffled;
        for (const [i, cut] of cuts.entries()) {
          const page = pageOf(i === cuts.length - 1 ? left : left.slice(0, cut));
          left = left.slice(cut);
          await browserRows.keep(page, WHOLE);
          await memory.keep(page, WHOLE);
        }
        const [kept, inMemory] = [await browserRows.overview(), await memory.overview()];
        expect(kept.jobs).toEqual(all.job);
        expect(kept.firm).toEqual(inMemory.firm);
        expect(kept.standings).toMatchObject(inMemory.standings);
        const job = await browserRows.jobRows(dock);
        expect(job).toEqual(await memory.jobRows(dock));
        expect(Object.keys(job.finding)).toEqual(Object.keys(firmWith([demonstration[0]!]).finding).sort());
        expect(await browserRows.pictures([dock, wall])).toEqual(await memory.pictures([dock, wall]));
      },
    ),
    { numRuns: 8 },
  );
});

test('a first pull that is cut short shows nothing as the whole; the rest of it shows everything, with the job that was opened before', async () => {
  const store = memoryRows();
  const phone = new PhoneRows(store);
  await phone.load();
  await phone.open(dock);
  const half = rows.length >> 1;
  const first = await keepPage(answer(pageOf(rows.slice(0, half)), true), { sent: 0, came: 0, whole: false }, store);
  await phone.touched(first!.touched);
  expect([phone.snapshot().ready, phone.snapshot().jobs]).toEqual([false, {}]);
  const rest = await keepPage(answer(pageOf(rows.slice(half)), false), { sent: 0, came: 0, whole: false }, store);
  await phone.touched(rest!.touched);
  expect(phone.snapshot().ready).toBe(true);
  expect(phone.snapshot().jobs).toEqual(all.job);
  expect(Object.keys(phone.snapshot().open[dock]!.finding).length).toBeGreaterThan(0);
});

test('of what comes later only what is touched is another thing: other jobs, tables and pictures stay the same ones', async () => {
  const store = memoryRows();
  const phone = new PhoneRows(store);
  await store.keep(pageOf(rows), WHOLE);
  await phone.load();
  await Promise.all([phone.open(dock), phone.open(wall)]);
  phone.wantPicture(dock);
  phone.wantPicture(wall);
  await new Promise((done) => setTimeout(done));
  const before = phone.snapshot();
  const finding = Object.values(before.open[dock]!.finding)[0]!;
  const kept = await keepPage(
    answer(pageOf([{ name: 'finding', row: { ...finding, ...{ label: 'Z' } } }]), false, 8),
    { sent: 0, came: 0, whole: true },
    store,
  );
  await phone.touched(kept!.touched);
  const after = phone.snapshot();
  expect(after.open[dock]!.finding[finding.id]).toMatchObject({ label: 'Z' });
  expect(after.open[dock]!.reading).toBe(before.open[dock]!.reading);
  expect([after.open[wall], after.firm, after.jobs]).toEqual([before.open[wall], before.firm, before.jobs]);
  expect([after.open[wall] === before.open[wall], after.firm === before.firm, after.jobs === before.jobs]).toEqual([true, true, true]);
  expect([wall in after.pictures, dock in after.pictures]).toEqual([true, false]);
});

test('a job opened while its rows come has the newer of the two', async () => {
  const store = memoryRows();
  const phone = new PhoneRows(store);
  await store.keep(pageOf(rows), WHOLE);
  await phone.load();
  const [element] = Object.values((await store.jobRows(dock)).element);
  const opening = phone.open(dock);
  const touched = await store.keep(pageOf([{ name: 'element', row: { ...element!, ...{ name: 'Renamed' } } }]), WHOLE);
  await Promise.all([opening, phone.touched(touched)]);
  expect(phone.snapshot().open[dock]!.element[element!.id]).toMatchObject({ name: 'Renamed' });
});

test('of many jobs that are opened the last dozen are held', async () => {
  const phone = new PhoneRows(memoryRows());
  await phone.load();
  for (let i = 0; i < 40; i += 1) await phone.open(`job ${i}`);
  expect(Object.keys(phone.snapshot().open)).toEqual(Array.from({ length: 12 }, (_, i) => `job ${i + 28}`));
  await phone.open('job 3');
  expect(Object.keys(phone.snapshot().open)).toContain('job 3');
});

test('a job that somebody looks at is not let go, however many are opened beside it', async () => {
  const phone = new PhoneRows(memoryRows());
  await phone.load();
  const ends = Array.from({ length: 20 }, (_, i) => phone.hold(`job ${i}`));
  await phone.open('job 19');
  expect(Object.keys(phone.snapshot().open)).toHaveLength(20);
  for (const end of ends.slice(1)) end();
  for (let i = 20; i < 40; i += 1) await phone.open(`job ${i}`);
  expect(Object.keys(phone.snapshot().open)).toContain('job 0');
  expect(Object.keys(phone.snapshot().open)).toHaveLength(12);
});

test('what is no page of the firm’s is kept nowhere', async () => {
  const store = memoryRows();
  for (const bad of ['<html>', 'null', '[]', '{"cursor":"x"}', ''])
    expect(await keepPage(new TextEncoder().encode(bad).buffer, { sent: 0, came: 0, whole: true }, store)).toBeNull();
  expect(await store.place()).toBeNull();
});

test('what an earlier release kept as one text opens without signal, whole', async () => {
  const store = memoryRows();
  const old = {
    clientState: {
      queries: [
        { queryKey: ['session'], state: {} },
        { queryKey: ['firm'], state: { data: { cursor: 41, data: all, clockOffset: 12 } } },
      ],
    },
  };
  expect(await keepOld(JSON.stringify(old), store)).toBe(true);
  expect(await store.place()).toEqual({ cursor: 41, whole: true, clockOffset: 12 });
  const phone = new PhoneRows(store);
  await phone.load();
  expect([phone.snapshot().ready, Object.keys(phone.snapshot().jobs).length]).toEqual([true, demonstration.length]);
  for (const bad of ['', 'x', '{}', '{"clientState":{"queries":[]}}']) expect(await keepOld(bad, memoryRows())).toBe(false);
});

test('a browser that keeps nothing holds what comes in memory', async () => {
  const refusing = { ...memoryRows(), overview: () => Promise.reject(new Error('refused')) };
  const phone = new PhoneRows(refusing);
  await phone.load();
  await phone.keep(pageOf(rows), WHOLE).then((touched) => phone.touched(touched));
  expect(Object.keys(phone.snapshot().jobs)).toHaveLength(demonstration.length);
});

const empty: FirmData = emptyFirmData();
test('a firm of which nothing has come has no jobs and is not ready', async () => {
  const phone = new PhoneRows(memoryRows());
  await phone.load();
  expect(phone.snapshot()).toMatchObject({ ready: false, jobs: empty.job });
});
