import './browser';
import type { Command } from '@tufa/contract/commands';
import type { OutboxRecord } from '../outbox/database';
import { firmLaidOver, jobLaidOver, jobsOfRecords, pictureLaidOver, rowLaidOver, standingsLaidOver } from '../outbox/laidOver';
import type { RowsOnPhone } from '../rows/PhoneRows';
import { OF_FIRM, OF_JOB } from '../rows/shape';
import { demonstration, firmWith } from './demonstration';

const all = firmWith();
const pick = (names: readonly string[], of: object): never => Object.fromEntries(Object.entries(of).filter(([name]) => names.includes(name))) as never;
const [dock, wall] = [demonstration[0]!, demonstration[2]!];
const open: RowsOnPhone['open'] = Object.fromEntries(demonstration.map((job) => [job.job.id, pick(OF_JOB, firmWith([job]))]));
const phone: RowsOnPhone = { ready: true, clockOffset: 0, firm: pick(OF_FIRM, all), jobs: all.job, standings: {}, open, pictures: {} };
const [spall] = Object.values(firmWith([dock]).finding);

let order = 0;
const record = (kind: string, target: string, change: object, more: Partial<OutboxRecord> = {}): OutboxRecord => {
  order += 1;
  const id = `0198a000-cccc-7000-8000-${String(order).padStart(12, '0')}`;
  const command = { id, v: 1, device: '', seq: order, person: '', madeAt: '', kind, target, base: null, change };
  return { order, command: command as unknown as Command, state: 'waiting', ...more };
};
const ofDock = (kind: string, target: string, change: object, more: Partial<OutboxRecord> = {}) =>
  record(kind, target, change, { jobId: dock.job.id, ...more });

test('however many jobs are looked at, each is put together once for each state of its rows', () => {
  const many = Object.fromEntries(Array.from({ length: 60 }, (_, i) => [`job ${i}`, structuredClone(open[dock.job.id]!)]));
  const wide = { ...phone, open: { ...open, ...many } };
  const first = Object.keys(many).map((jobId) => jobLaidOver(wide, [], jobId));
  const again = Object.keys(many).map((jobId) => jobLaidOver(wide, [], jobId));
  expect(again.every((data, i) => data === first[i])).toBe(true);
});

test('what waits of one job makes another of that job alone; read anew from the disk it is the same', () => {
  const waits = [ofDock('finding.change', spall!.id, { label: 'Z' })];
  const [before, other, firm] = [jobLaidOver(phone, [], dock.job.id), jobLaidOver(phone, [], wall.job.id), firmLaidOver(phone, [])];
  const after = jobLaidOver(phone, waits, dock.job.id);
  expect(after).not.toBe(before);
  expect(after!.finding[spall!.id]).toMatchObject({ label: 'Z' });
  expect(jobLaidOver(phone, [{ ...waits[0]! }], dock.job.id)).toBe(after);
  expect(jobLaidOver(phone, waits, wall.job.id)).toBe(other);
  expect(firmLaidOver(phone, waits)).toBe(firm);
});

test('a job’s own words and the firm’s sheets are laid over the firm, and over the job that is open', () => {
  const waits = [record('job.change', dock.job.id, { name: 'Dock' }, { jobId: null })];
  expect(firmLaidOver(phone, waits).job[dock.job.id]).toMatchObject({ name: 'Dock' });
  expect(jobLaidOver(phone, waits, dock.job.id)!.job).toMatchObject({ [dock.job.id]: { name: 'Dock' } });
  expect(Object.keys(jobLaidOver(phone, waits, dock.job.id)!.job)).toEqual([dock.job.id]);
});

test.each(['parked', 'refused'] as const)('what came back %s is laid over nothing', (state) => {
  const back = [ofDock('finding.change', spall!.id, { label: 'Z' }, { state })];
  expect(jobsOfRecords(back)).toEqual([]);
  expect(jobLaidOver(phone, back, dock.job.id)).toBe(jobLaidOver(phone, [], dock.job.id));
});

test('where a job stands and its picture follow what waits of it, before the firm has it', () => {
  const waits = Object.keys(firmWith([dock]).finding).map((id) => ofDock('finding.remove', id, {}));
  const standings = standingsLaidOver(phone, waits);
  expect(standings[dock.job.id]).toMatchObject({ wait: { code: 'walk' }, drawn: 0 });
  expect(standingsLaidOver(phone, waits)).toBe(standings);
  expect(standingsLaidOver(phone, [])).toBe(phone.standings);
  expect(pictureLaidOver(phone, waits, dock.job.id)).toMatchObject({ found: [] });
  expect(pictureLaidOver(phone, [], dock.job.id)).toBeUndefined();
});

test('a row is found in whichever job is open, as it stands with what waits; of what is not read there is none', () => {
  const waits = [ofDock('finding.change', spall!.id, { label: 'Z' })];
  expect(rowLaidOver(phone, waits, 'finding', spall!.id)).toMatchObject({ label: 'Z', jobId: dock.job.id });
  expect(rowLaidOver(phone, [], 'job', wall.job.id)).toMatchObject({ id: wall.job.id });
  expect(rowLaidOver({ ...phone, open: {} }, [], 'finding', spall!.id)).toBeUndefined();
  expect(jobLaidOver({ ...phone, open: {} }, [], dock.job.id)).toBeNull();
});
