import { waitFor } from '@testing-library/react';
import { say } from '@tufa/words';
import { CareView } from '../care/CareView';
import { CareDue } from '../now/CareDue';
import { jobView } from '../parts/job/useJob';
import { Measure } from '../walk/Measure';
import { demonstration, firmWith, page, show, tap, typeIn, written } from './shown';
import { PLAIN } from '@tufa/words/speak';

const FLOOR = '0198a000-de00-7000-8000-000000000060';

const floor = () => {
  const data = firmWith(demonstration.filter(({ job }) => job.id === FLOOR));
  return { data, view: jobView({ data, clockOffset: 0 }, FLOOR)! };
};

test('a crack asks for its width through both seasons and a joint for its sealant; planned, each is asked for no more', async () => {
  await show((firm) => <CareView view={jobView(firm, FLOOR)!} />, { at: { job: FLOOR }, data: floor().data });
  expect(page()).toContain(say(PLAIN, 'care.kind.crack'));
  expect(page()).toContain(say(PLAIN, 'care.kind.joint'));
  await tap(say(PLAIN, 'care.keep'));
  await waitFor(() => expect(written().length).toBeGreaterThan(0));
  const visits = written().filter(({ kind }) => kind === 'careVisit.add');
  expect(visits.map(({ change }) => change['kind'])).toEqual(expect.arrayContaining(['crack', 'crack', 'joint']));
  for (const { change } of visits) expect(change).toMatchObject({ jobId: FLOOR, doneOn: null, dueOn: expect.stringMatching(/^\d{4}-\d\d-\d\d$/) });
});

test('what was planned of a kind is asked for no more, what was seen at a visit is kept when it is left', async () => {
  const { data } = floor();
  const crack = Object.values(data.finding).find(({ kind }) => kind === 'crack')!;
  const visit = {
    id: '0198a000-ca2e-7000-8000-000000000001',
    version: 1,
    changed: 1,
    removed: false,
    jobId: FLOOR,
    findingId: crack.id,
    kind: 'crack' as const,
  };
  const planned = { ...data, careVisit: { [visit.id]: { ...visit, dueOn: '2026-11-12', doneOn: null, note: '' } } };
  await show((firm) => <CareView view={jobView(firm, FLOOR)!} />, { at: { job: FLOOR }, data: planned });
  await typeIn(say(PLAIN, 'care.note'), 'no wider');
  await tap(say(PLAIN, 'care.keep'));
  await waitFor(() => expect(written().length).toBeGreaterThan(1));
  expect(written()[0]).toMatchObject({ kind: 'careVisit.change', target: visit.id, change: { note: 'no wider' } });
  // Half a year after the work is planned; a year after it is asked for.
  expect(written().filter(({ kind, change }) => kind === 'careVisit.add' && change['kind'] === 'crack')).toHaveLength(1);
});

test('what is due within a fortnight stands on Now, what is overdue says so, what is done or far off does not', async () => {
  const { data } = floor();
  const day = (days: number): string => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);
  const visit = (id: string, dueOn: string, doneOn: string | null = null) => ({
    [id]: { id, version: 1, changed: 1, removed: false, jobId: FLOOR, findingId: null, kind: 'look' as const, dueOn, doneOn, note: '' },
  });
  const careVisit = { ...visit('a', day(-3)), ...visit('b', day(9)), ...visit('c', day(40)), ...visit('d', day(-9), day(-9)) };
  await show(<CareDue data={{ ...data, careVisit }} />, { data });
  expect(document.querySelectorAll('[role=listitem]')).toHaveLength(2);
  expect(page()).toMatch(/was due .*due /);
});

test('a crack is read again at the places where it was read, each with what it was', async () => {
  const { data, view } = floor();
  const [finding] = Object.values(data.finding).filter(({ jobId, kind }) => jobId === FLOOR && kind === 'crack');
  const reading = (id: string, x: number, value: number) => ({
    [id]: {
      ...{ id, version: 1, changed: 1, removed: false, jobId: FLOOR, elementId: finding!.elementId, findingId: finding!.id, kind: 'width' as const },
      ...{
        value: { value, typed: `${value * 1000} mm`, source: 'typed' as const },
        at: [x, finding!.outline.points[0]![1]] as const,
        takenAt: '2025-11-02T10:00:00Z',
        subject: null,
      },
    },
  });
  const rows = { ...data, reading: { ...reading('r1', 0.3, 0.0004), ...reading('r2', 0.9, 0.0006) } };
  const again = { ...jobView({ data: rows, clockOffset: 0 }, FLOOR)!, input: view.input };
  await show(<Measure view={again} element={rows.element[finding!.elementId]!} again={finding!.id} onDone={() => undefined} />, { data: rows });
  expect(page()).toContain('Here it was 0.4 mm on Nov 2, 2025');
  expect(page()).toContain('Place 1 of 2');
  // Each place in its turn; once all are read nothing of before stands there any more.
  for (const [width, next] of [
    ['0.5 mm', 'Here it was 0.6 mm on Nov 2, 2025'],
    ['0.6 mm', null],
  ] as const) {
    await typeIn(say(PLAIN, 'walk.crackWidth'), width);
    await tap(say(PLAIN, 'walk.keepReading'));
    await waitFor(() => (next ? expect(page()).toContain(next) : expect(document.querySelector('[data-testid=former]')).toBeNull()));
  }
  expect(written().map(({ change }) => (change['at'] as number[])[0])).toEqual([0.3, 0.9]);
});
