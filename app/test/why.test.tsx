import { PLAIN, say } from '@tufa/words';
import { act, waitFor } from '@testing-library/react';
import { CutList } from '../fix/CutList';
import { keepLesson, LESSON_STEPS, nextOf, seenInLesson } from '../lesson/lesson';
import { LessonBand } from '../lesson/LessonBand';
import { LessonScreen } from '../lesson/LessonScreen';
import { keepTaken, originOf } from '../parts/instruments/taken';
import { jobView, useJob } from '../parts/job/useJob';
import { WhyScreen } from '../why/WhyScreen';
import { demonstration, firmWith, page, show, tap, written } from './shown';
import { went } from './router';

const data = firmWith();
const GERMAN = { ...PLAIN, system: 'metric', currency: 'EUR' } as const;

test.each(demonstration.flatMap(({ job }) => [PLAIN, GERMAN].map((speaker) => [job.name, speaker.system, job.id, speaker] as const)))(
  '%s in %s units says why of each of its figures, and leaves none without its sentence',
  async (_name, _system, id, speaker) => {
    await show(<WhyScreen />, { data, speaker, at: { job: id } });
    await waitFor(() => expect(page()).toContain('Why these figures'));
    expect(page()).not.toMatch(/\{\{|NaN|undefined|why\.|Infinity/);
    const { plan, input } = jobView({ data, clockOffset: 0 }, id)!;
    const chosen = (plan?.findings ?? []).filter((finding) => finding.chosen);
    if (chosen.length === 0) return expect(page()).toContain('Nothing is chosen yet');
    for (const part of ['Volume', 'To buy', 'Minutes to place', 'Chance to lose it', 'Slab']) expect(page()).toContain(part);
    // What comes ready is needed, not mixed.
    const ready = chosen.every(({ chosen: of }) => input.sheets.find((sheet) => sheet.id === of!.sheetId)!.parts?.length === 1);
    expect(page().includes('To mix')).toBe(!ready);
  },
);

test('a top says what it weighs and lists every piece by the letter that stands over it in the drawing', async () => {
  const counter = demonstration[5]!;
  const { takeOff } = jobView({ data, clockOffset: 0 }, counter.job.id)!.plan!.findings[0]!;
  await show(<CutList takeOff={takeOff} />, { data });
  expect(page()).toMatch(/Weighs \d+.*lb: .* on each square foot/);
  const rows = [...document.querySelectorAll('[role=row]')].slice(1);
  expect(rows).toHaveLength(takeOff.strips.length);
  rows.forEach((row, i) => expect(row.textContent!.match(/[a-z] \d/g)).toHaveLength(takeOff.strips[i]!.length));
});

test('a figure is known again by the kind of what read it, and only while it stands as it was read', () => {
  keepTaken({ kind: 'thermometer', value: 24.5, at: new Date().toISOString(), by: 'Infrared thermometer' });
  expect(originOf(24.5, 'temperature')).toMatchObject({ source: 'instrument', by: 'Infrared thermometer' });
  expect(originOf(24.5, 'side')).toEqual({ source: 'typed' });
  expect(originOf(24.6, 'temperature')).toEqual({ source: 'typed' });
  // What was read the week before no longer is.
  keepTaken({ kind: 'scale', value: 5, at: '2020-01-01T00:00:00Z', by: 'Scale' });
  keepTaken({ kind: 'scale', value: 6, at: new Date().toISOString(), by: 'Scale' });
  expect(originOf(5, 'mass')).toEqual({ source: 'typed' });
});

const dock = demonstration[0]!.job.id;

test('a first job asks for what is not done yet, in the order of the work', () => {
  const view = jobView({ data, clockOffset: 0 }, dock)!;
  expect(nextOf(view, [])!.at.code).toBe('ticket');
  expect(nextOf(view, ['ticket'])!.at.code).toBe('start');
  const empty = jobView({ data: { ...data, element: {}, finding: {}, treatment: {} }, clockOffset: 0 }, dock)!;
  expect(nextOf(empty, [])).toMatchObject({ n: 1, at: { code: 'element' } });
  const ended = { input: view.input, batches: jobView({ data, clockOffset: 0 }, demonstration[7]!.job.id)!.batches };
  expect(nextOf(ended, ['ticket'])).toMatchObject({ n: LESSON_STEPS, at: { code: 'record' } });
  expect(nextOf(ended, ['ticket', 'record'])).toBeNull();
});

function Band(): React.ReactElement | null {
  const { view } = useJob(dock, { surveyFirst: false });
  return view ? <LessonBand view={view} step="fix" /> : null;
}

test('its line tells what comes next and why, leads there, is put away, and stands on no other job', async () => {
  await show(<Band />, { data });
  expect(page()).toBe('');
  act(() => keepLesson({ jobId: dock, seen: [], left: false }));
  await waitFor(() => expect(page()).toContain(`5 of ${LESSON_STEPS}`));
  await tap('Why?');
  expect(page()).toContain(say(PLAIN, 'lesson.because.ticket'));
  await tap('Next: Mix');
  expect(went.at(-1)).toContain(`/jobs/${dock}/mix`);
  act(() => seenInLesson('another', 'ticket'));
  expect(page()).toContain(`5 of ${LESSON_STEPS}`);
  await tap('Leave it');
  await waitFor(() => expect(page()).toBe(''));
});

test('out of the demonstration nothing is begun', async () => {
  await show(<LessonScreen />, { data });
  expect(page()).toContain('It is part of the demonstration');
  expect(written()).toEqual([]);
});
