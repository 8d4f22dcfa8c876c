import { ROW_KINDS, type RepairedKind } from '@tufa/contract/kinds/index';
import { FIELDS } from '@tufa/contract/schemas';
import { senseOf } from '@tufa/contract/sense';
import { check } from '@tufa/contract/validate';
import { PLAIN, say, sayCoded } from '@tufa/words';
import { fireEvent, screen, waitFor } from '@testing-library/react';
import type { ReactElement } from 'react';
import { useJob, type JobView } from '../parts/job/useJob';
import { ElementForm } from '../walk/ElementForm';
import { FindingForm } from '../walk/FindingForm';
import { control, demonstration, firmWith, lastOf, page, show, tap, typeIn, written } from './shown';

const dock = demonstration[0]!;
const firm = firmWith();
const METRIC = { ...PLAIN, system: 'metric', currency: 'EUR' } as const;
let done = 0;

function Formed({ jobId, children }: { jobId: string; children: (view: JobView) => ReactElement }): ReactElement | null {
  const { view } = useJob(jobId, { surveyFirst: true });
  return view ? children(view) : null;
}

const openFinding = (findingId: string, speaker: typeof PLAIN | typeof METRIC = PLAIN) => {
  const finding = firm.finding[findingId]!;
  const element = firm.element[finding.elementId]!;
  done = 0;
  return show(
    <Formed jobId={finding.jobId}>
      {(view) => <FindingForm view={view} element={element} finding={finding} label={finding.label} onDone={() => (done += 1)} />}
    </Formed>,
    { data: firm, speaker },
  );
};

const openNew = (jobId = dock.job.id) => {
  const element = Object.values(firm.element).find((row) => row.jobId === jobId)!;
  done = 0;
  return show(
    <Formed jobId={jobId}>{(view) => <FindingForm view={view} element={element} finding={undefined} label="Z" onDone={() => (done += 1)} />}</Formed>,
    { data: firm },
  );
};

const save = (): Promise<void> => tap(say(PLAIN, 'walk.save'));
const figures = (): HTMLInputElement[] => screen.getAllByRole<HTMLInputElement>('textbox');

/** The same to half a millimetre: the demonstration's own figures are rounded, and what was typed is read again. */
function near(value: unknown): unknown {
  if (typeof value === 'number') return expect.closeTo(value, 3);
  if (Array.isArray(value)) return value.map(near);
  if (typeof value !== 'object' || value === null) return value;
  return Object.fromEntries(Object.entries(value).flatMap(([name, part]) => (name === 'typed' ? [] : [[name, near(part)]])));
}

const FINDINGS = Object.values(firm.finding).filter(({ kind }) => kind !== 'mark');

test.each(FINDINGS.map(({ id, kind, label, jobId }) => [kind, label, firm.job[jobId]!.name, id] as const))(
  'a %s, %s of %s, opened and saved untouched is what it was',
  async (_kind, _label, _job, id) => {
    await openFinding(id);
    await save();
    const { kind, target, change } = await lastOf(1);
    const { kind: was, outline, properties } = firm.finding[id]!;
    expect([kind, target]).toEqual(['finding.change', id]);
    expect(change).toMatchObject(near({ kind: was, outline, properties }) as object);
    await waitFor(() => expect(done).toBe(1));
  },
);

const oneOfEach = Object.keys(ROW_KINDS).flatMap((kind) => FINDINGS.find((finding) => finding.kind === kind) ?? []);

test.each(oneOfEach.map(({ kind, id }) => [kind, id] as const))(
  'each figure of a %s that cannot be read is refused where it is, and nothing is written',
  async (_, id) => {
    await openFinding(id);
    const note = control('textbox', say(PLAIN, 'walk.note'));
    const places = figures().flatMap((other, i) => (other.value !== '' && other !== note ? [i] : []));
    for (const place of places) {
      const field = figures()[place]!;
      const before = field.value;
      fireEvent.change(field, { target: { value: 'about' } });
      await save();
      await waitFor(() => expect(screen.getAllByRole('alert')).toHaveLength(1));
      expect(field).toHaveProperty('value', 'about');
      fireEvent.change(field, { target: { value: before } });
    }
    expect([written(), done]).toEqual([[], 0]);
  },
);

test('a spall told by its sizes lies in the middle unless it is said where, and is what the schema takes', async () => {
  await openNew();
  await tap(say(PLAIN, 'walk.kinds.spall'), 'radio');
  await typeIn(say(PLAIN, 'walk.length'), '12 in');
  await typeIn(say(PLAIN, 'walk.width'), '10 in');
  await typeIn(say(PLAIN, 'walk.deepest'), '1 1/2 in');
  await save();
  const { kind, change } = await lastOf(1);
  expect([kind, change['kind'], change['label']]).toEqual(['finding.add', 'spall', 'Z']);
  expect([check(FIELDS.finding, change).fault, senseOf(change)]).toEqual([null, null]);
  const { points } = change['outline'] as { points: [number, number][] };
  expect(Math.max(...points.map(([x]) => x)) - Math.min(...points.map(([x]) => x))).toBeCloseTo(0.3048, 9);
  expect((change['properties'] as { deepest: { value: number; typed: string } }).deepest).toMatchObject({ value: expect.closeTo(0.0381, 6), source: 'typed' });
});

test.each([
  ['nothing typed', {}, 'walk.length'],
  ['no width', { length: '12 in' }, 'walk.width'],
  ['no depth', { length: '12 in', width: '10 in' }, 'walk.deepest'],
  ['wider than what it lies in', { length: '12 in', width: '900 ft', deepest: '1 in' }, 'walk.width'],
  ['beyond the edge', { length: '12 in', width: '10 in', fromLeft: '900 ft', deepest: '1 in' }, 'walk.from'],
  ['a depth below nothing', { length: '12 in', width: '10 in', deepest: '-1 in' }, 'walk.deepest'],
  ['deeper than any slab', { length: '12 in', width: '10 in', deepest: '90 ft' }, 'walk.deepest'],
] as const)('a spall with %s is refused at that field, and what was typed stays', async (_, typed, code) => {
  await openNew();
  await tap(say(PLAIN, 'walk.kinds.spall'), 'radio');
  const names = { length: 'walk.length', width: 'walk.width', fromLeft: 'walk.from', deepest: 'walk.deepest' } as const;
  for (const [name, text] of Object.entries(typed)) await typeIn(say(PLAIN, names[name as keyof typeof names]), text);
  await save();
  const alert = await screen.findByRole('alert');
  const field = control('textbox', sayCoded(PLAIN, code));
  expect(field.closest('div')!.parentElement!.parentElement!.contains(alert)).toBe(true);
  for (const [name, text] of Object.entries(typed)) expect(control('textbox', say(PLAIN, names[name as keyof typeof names]))).toHaveProperty('value', text);
  expect(written()).toEqual([]);
});

test.each(['crack', 'joint', 'edge'] as const)('a %s that nobody drew says what is missing', async (kind) => {
  await openNew();
  await tap(sayCoded(PLAIN, `walk.kinds.${kind}`), 'radio');
  await save();
  await waitFor(() => expect(screen.queryAllByRole('alert').length).toBeGreaterThan(0));
  expect(written()).toEqual([]);
});

test.each(Object.keys(ROW_KINDS) as RepairedKind[])('%s asks in words, in feet and in metres', async (kind) => {
  for (const speaker of [PLAIN, METRIC]) {
    const element = Object.values(firm.element)[0]!;
    const { unmount } = await show(
      <Formed jobId={element.jobId}>{(view) => <FindingForm view={view} element={element} finding={undefined} label="Z" onDone={() => undefined} />}</Formed>,
      { data: firm, speaker },
    );
    await tap(sayCoded(PLAIN, `walk.kinds.${kind}`), 'radio');
    expect(page()).not.toMatch(/\{\{|undefined|\b(walk|word)\.[a-z]/);
    unmount();
    localStorage.clear();
  }
});

const ELEMENTS = Object.values(firm.element);

test.each(ELEMENTS.map(({ name, jobId, id }) => [name, firm.job[jobId]!.name, id] as const))(
  '%s of %s opened and saved untouched is what it was',
  async (_name, _job, id) => {
    const element = firm.element[id]!;
    done = 0;
    await show(<Formed jobId={element.jobId}>{(view) => <ElementForm view={view} element={element} onDone={() => (done += 1)} />}</Formed>, { data: firm });
    await save();
    await waitFor(() => expect(done).toBe(1));
    const { change } = written()[0]!;
    const fields = Object.fromEntries(Object.keys(change).map((name) => [name, element[name as keyof typeof element]]));
    expect(change).toMatchObject(near(fields) as object);
  },
);
