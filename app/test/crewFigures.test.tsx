import './browser';
import { act, screen, waitFor, within } from '@testing-library/react';
import { assemblePlanInput } from '@tufa/contract/assemble';
import { computePlan } from '@tufa/core/plan';
import { PLAIN, say } from '@tufa/words';
import { FiguresScreen } from '../crewFigures/FiguresScreen';
import { RecordScreen } from '../record/RecordScreen';
import { demonstration, firmWith, page, show, written } from './shown';

const plinth = demonstration.find(({ job }) => job.name === 'Weighbridge plinth')!;
const data = firmWith([plinth]);
const press = (button: HTMLElement): Promise<void> => act(async () => button.click());
/** The rows as they are once what was written is with the firm. */
const after = (rows = data) => ({
  ...rows,
  crewEntry: Object.fromEntries(
    written()
      .filter(({ kind }) => kind === 'crewEntry.add')
      .map(({ target, change }) => [target, { id: target, removed: false, version: 1, changed: 2, ...change }]),
  ) as never,
});
const placeBy = (rows: typeof data): number => computePlan(assemblePlanInput(rows, plinth.job.id)!, { ranked: 'chosen' }).batches[0]!.window!.window.placeBy_s;

test('a poured job is told batch by batch and hour by hour, its spoiled one with what it was', async () => {
  await show(<RecordScreen />, { data, at: { job: plinth.job.id } });
  expect(page()).toContain('6 batches poured, 1 lost');
  const [, , spoiled] = screen.getAllByRole('button', { name: /^Batch \d/ });
  expect(spoiled!.getAttribute('aria-label')).toMatch(/^Batch 3: .*went hard/);
  // Eight in a hundred more water than its ticket.
  expect(spoiled!.textContent).toMatch(/8\s% more than its ticket/);
  await press(spoiled!);
  expect(page()).toContain('sun came round');
  const timeline = screen.getByTestId('timeline');
  for (const line of ['readings', 'Batch 1: first water', 'The sun is on it', 'Batch 3: went hard']) expect(timeline.textContent).toContain(line);
});

test('what it has shown is taken up once, with what that changes told before; set aside it says nothing, and the sheet is one switch away', async () => {
  await show(<RecordScreen />, { data, at: { job: plinth.job.id } });
  expect(page()).toContain(say(PLAIN, 'crewFigures.changes'));
  await press(screen.getByTestId('take-up'));
  await waitFor(() => expect(page()).toContain(say(PLAIN, 'crewFigures.allTaken')));
  const lives = written().filter(({ kind, change }) => kind === 'crewEntry.add' && change['kind'] === 'life');
  // One went hard: the others only say that they would have lived longer.
  expect(lives.map(({ change }) => change['censored']).sort()).toEqual([false, true, true, true, true, true]);
  const taken = after();
  expect(placeBy(taken)).not.toBe(placeBy(data));
  await press(screen.getByRole('switch', { name: say(PLAIN, 'crewFigures.asSheet') }));
  await waitFor(() => expect(written().at(-1)).toMatchObject({ kind: 'job.change', change: { asSheet: true } }));
  const job = { ...taken.job[plinth.job.id]!, asSheet: true };
  expect(placeBy({ ...taken, job: { [job.id]: job } })).toBe(placeBy(data));
  await show(<FiguresScreen />, { data: taken });
  expect(page()).toMatch(/Sheet \d+ min, yours \d+ min \(\d+ min to \d+ min\), 6 batches/);
  await press(screen.getByRole('button', { name: say(PLAIN, 'crewFigures.table') }));
  const [first] = within(screen.getByRole('list', { name: say(PLAIN, 'crewFigures.picture') })).getAllByRole('button');
  await press(first!);
  await waitFor(() => expect(written().at(-1)).toMatchObject({ kind: 'crewEntry.change', change: { aside: true } }));
});
