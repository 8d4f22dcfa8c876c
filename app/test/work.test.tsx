import { assemblePlanInput } from '@tufa/contract/assemble';
import { computePlan, kitOf, loadOf } from '@tufa/core/plan';
import { STOP_QUESTIONS } from '@tufa/core/survey';
import { PLAIN, say, sayCoded, sayKit } from '@tufa/words';
import { screen, waitFor, within } from '@testing-library/react';
import type { ReactElement } from 'react';
import { KitList } from '../fix/KitList';
import { LayersChoice } from '../fix/LayersChoice';
import { DayScreen } from '../day/DayScreen';
import { CrewView } from '../mix/CrewView';
import { LoadScreen } from '../mix/LoadScreen';
import { MixScreen } from '../mix/MixScreen';
import { Cautions, unacknowledged } from '../parts/job/Cautions';
import { useJob, type JobView } from '../parts/job/useJob';
import { StopQuestions } from '../walk/StopQuestions';
import { Tests } from '../walk/Tests';
import { went } from './router';
import { choose, control, demonstration, firmWith, lastOf, LEAD, page, show, tap, typeIn, written, press } from './shown';

const dock = demonstration[0]!;
const wall = demonstration[2]!;

function Viewed({ jobId, children }: { jobId: string; children: (view: JobView) => ReactElement | null }): ReactElement | null {
  const { view } = useJob(jobId, { surveyFirst: false });
  return view?.plan ? children(view) : null;
}
const showJob = (jobId: string, part: (view: JobView) => ReactElement | null, more: Parameters<typeof show>[1] = {}) =>
  show(<Viewed jobId={jobId}>{part}</Viewed>, { at: { job: jobId }, ...more });
const elementOf = (view: JobView) => Object.values(view.data.element).find(({ jobId }) => jobId === view.job.id)!;

describe('the kit', () => {
  test('lists whatever the plan needs, each once, and a tick is somebody’s', async () => {
    let items: ReturnType<typeof kitOf> = [];
    await showJob(dock.job.id, (view) => ((items = kitOf(view.input, view.plan!)), (<KitList view={view} />)), { at: { job: dock.job.id, kit: 'open' } });
    const boxes = await screen.findAllByRole('checkbox');
    expect(boxes.map((box) => box.getAttribute('aria-label')).sort()).toEqual(items.map((item) => sayKit(PLAIN, item)).sort());
    const first = boxes.find((box) => box.getAttribute('aria-label') === sayKit(PLAIN, items[0]!))!;
    await press(first);
    const { kind, change } = await lastOf(1);
    expect([kind, change['kind'], change['subject'], change['value']]).toEqual([
      'reading.add',
      'acknowledged',
      items[0]!.key,
      { value: 1, source: 'typed', by: LEAD.name },
    ]);
    await waitFor(() => expect(screen.getAllByRole('checkbox', { checked: true })).toHaveLength(1));
  });

  test('a tick taken back takes that tick back', async () => {
    await showJob(dock.job.id, (view) => <KitList view={view} />, { at: { job: dock.job.id, kit: 'open' } });
    await press((await screen.findAllByRole('checkbox'))[0]!);
    const { target } = await lastOf(1);
    await press(await screen.findByRole('checkbox', { checked: true }));
    expect((await lastOf(2)).change).toMatchObject({ kind: 'removal', subject: target });
    await waitFor(() => expect(screen.queryAllByRole('checkbox', { checked: true })).toHaveLength(0));
  });

  test('closed, it counts what is loaded', async () => {
    await showJob(dock.job.id, (view) => <KitList view={view} />);
    expect((await screen.findByRole('button')).textContent).toMatch(/\b0\b.*\d/);
    await tap(/0/);
    expect((await screen.findAllByRole('checkbox')).length).toBeGreaterThan(3);
  });
});

describe('cautions', () => {
  test('that must be understood ask until somebody has, and name who', async () => {
    let left: string[] = [];
    await showJob(dock.job.id, (view) => {
      left = unacknowledged({ input: view.input, plan: view.plan! }, view.data).map(({ code }) => code);
      return <Cautions screen="mix" input={view.input} plan={view.plan!} view={view} />;
    });
    await screen.findByRole('group');
    const before = left.length;
    expect(before).toBeGreaterThan(0);
    const [asked] = screen.getAllByRole('button');
    await press(asked!);
    expect((await lastOf(1)).change).toMatchObject({ kind: 'acknowledged', subject: expect.stringMatching(/\w/), value: { by: LEAD.name } });
    await waitFor(() => expect(left).toHaveLength(before - 1));
    expect(page()).toContain(LEAD.name);
  });
});

describe('the five questions', () => {
  test.each(STOP_QUESTIONS)('%s is written as it is answered, beside the others', async (question) => {
    await show(({ data }) => <StopQuestions element={Object.values(data.element)[0]!} />);
    const element = Object.values(firmWith().element)[0]!;
    await choose(sayCoded(PLAIN, `stop.${question}`), say(PLAIN, 'stop.unknown'));
    expect((await lastOf(1)).change).toEqual({ stops: { ...element.stops, [question]: 'unknown' } });
  });

  test('two quick answers are both kept', async () => {
    await show(({ data }) => <StopQuestions element={Object.values(data.element)[0]!} />);
    const [a, b] = STOP_QUESTIONS.map((question) => sayCoded(PLAIN, `stop.${question}`)) as [string, string];
    await Promise.all([choose(a, say(PLAIN, 'stop.yes')), choose(b, say(PLAIN, 'stop.unknown'))]);
    const { change } = await lastOf(2);
    expect(change['stops']).toMatchObject({ [STOP_QUESTIONS[0]]: 'yes', [STOP_QUESTIONS[1]]: 'unknown' });
  });
});

describe('tests of a surface', () => {
  const open = () => showJob(wall.job.id, (view) => <Tests view={view} element={elementOf(view)} onDone={() => undefined} />);
  const pick = (test: 'scratch' | 'drop_s' | 'moisture' | 'pull_Pa') => tap(sayCoded(PLAIN, `walk.test.${test}`), 'radio');
  const save = () => tap(say(PLAIN, 'walk.keepReading'));

  test.each([
    ['moisture', '4', 0.04],
    ['moisture', '4.5 %', 0.045],
    ['moisture', '0', 0],
    ['drop_s', '30', 30],
    ['drop_s', '2 min', 120],
    ['pull_Pa', '1.5 MPa', 1.5e6],
    ['pull_Pa', '200 psi', 1378951.5],
  ] as const)('%s of %s is read', async (test, text, value) => {
    await open();
    await pick(test);
    await typeIn(sayCoded(PLAIN, `walk.test.${test}`), text);
    await save();
    const { change } = await lastOf(1);
    expect(change).toMatchObject({ kind: test, elementId: expect.any(String) });
    expect((change['value'] as { value: number }).value / (value || 1)).toBeCloseTo(value === 0 ? 0 : 1, 6);
  });

  test.each([
    ['moisture', 'wet'],
    ['moisture', '140'],
    ['moisture', ''],
    ['drop_s', 'soon'],
    ['pull_Pa', '-3'],
  ] as const)('%s of %j is refused where it is, and kept as typed', async (test, text) => {
    await open();
    await pick(test);
    const field = await typeIn(sayCoded(PLAIN, `walk.test.${test}`), text);
    await save();
    await screen.findByRole('alert');
    expect(field).toHaveProperty('value', text);
    expect(written()).toEqual([]);
  });

  test('a scratch wants an answer', async () => {
    await open();
    await save();
    await waitFor(() => expect(page()).toContain(say(PLAIN, 'field.required')));
    await choose(say(PLAIN, 'walk.test.scratch'), say(PLAIN, 'walk.scratch.1'));
    await save();
    expect((await lastOf(1)).change['value']).toEqual({ value: 1, source: 'typed' });
  });
});

describe('what goes with a material', () => {
  const open = () =>
    showJob(dock.job.id, (view) => {
      const planned = view.plan!.findings.find(({ chosen }) => chosen !== null)!;
      const finding = view.input.findings.find(({ id }) => id === planned.findingId)!;
      const element = view.input.elements.find(({ id }) => id === planned.elementId)!;
      const treatment = view.input.treatments.find(({ findingId }) => findingId === planned.findingId)!;
      const sheet = view.input.sheets.find(({ id }) => id === planned.chosen!.sheetId)!;
      return <LayersChoice view={view} element={element} finding={finding} sheet={sheet} chosen={planned.chosen!} treatment={treatment} />;
    });

  test('a cure that is chosen is written with the choice, and its amount told', async () => {
    await open();
    await tap(say(PLAIN, 'layers.open'));
    const cure = control('radiogroup', say(PLAIN, 'layers.roles.cure'));
    const options = within(cure).getAllByRole('radio');
    expect(options.length).toBeGreaterThan(2);
    const fits = options.findIndex((option, i) => i > 0 && !option.getAttribute('aria-label')?.startsWith('×'));
    await press(options[fits]!);
    const { kind, change } = await lastOf(1);
    expect([kind, change['cure']]).toEqual(['treatment.change', expect.stringMatching(/^[0-9a-f-]{36}$/)]);
    await waitFor(() => expect(page()).toMatch(/on a surface that drinks/));
    await press(within(control('radiogroup', say(PLAIN, 'layers.roles.cure'))).getAllByRole('radio')[0]!);
    expect((await lastOf(2)).change['cure']).toBeNull();
  });
});

const ofLayer = () => Object.values((written().at(-1)!.change['batch'] as { byLayer?: object }).byLayer ?? {})[0] as object | undefined;
/** So much more than a batch's planned water, as it is typed. */
const planned = (list: readonly unknown[], at: number, more: number): string => {
  const { lines } = list[at] as { lines: readonly { code: string; volume_m3: number }[] };
  return `${Math.round(lines.find(({ code }) => code === 'water')!.volume_m3 * more * 1e6)} mL`;
};

describe('who is there', () => {
  test('hands and how fast they are are kept with the job, each beside the other', async () => {
    let view!: JobView;
    await showJob(dock.job.id, (given) => ((view = given), (<CrewView jobId={given.job.id} crew={given.input.crew} firm={given.input.firm} works="fill" />)));
    await choose('Pairs of hands', '1');
    expect(page()).toContain('Alone you mix');
    await typeIn('Fill pressed into patches, sq ft a minute', '2');
    await waitFor(() => expect(written()).toHaveLength(2));
    expect(written().at(-1)!.change['crew']).toMatchObject({
      hands: 1,
      carry_s: view.input.crew.carry_s,
      rates: { fill: expect.closeTo((2 * 0.09290304) / 60, 9) },
    });
  });

  test('a consistency of the crew’s own goes back to what the work asks', async () => {
    await showJob(dock.job.id, () => <MixScreen />, { at: { job: dock.job.id, batch: '1' } });
    expect(screen.queryByRole('radio', { name: 'As the work asks' })).toBeNull();
    await choose('Consistency, as the work asks', 'screed');
    await waitFor(() => expect(ofLayer()).toEqual({ consistency: 'screed' }));
    await choose('Consistency, as you have it', 'As the work asks');
    await waitFor(() => expect(written().at(-1)!.change['batch']).not.toHaveProperty('byLayer'));
  });

  test('water of the crew’s own is kept for the layer; past the sheet it is refused with the strength it costs, and by the sheet again it is gone', async () => {
    await showJob(dock.job.id, () => <MixScreen />, { at: { job: dock.job.id, batch: '1' } });
    const changes = (): number => written().filter(({ kind }) => kind === 'job.change').length;
    const before = changes();
    await typeIn('Water here, by the sheet', '2 gal');
    expect(page()).toMatch(/The sheet allows .* here and no more: that much water costs about \d+.%/);
    expect(control('textbox', 'Water here, by the sheet')).toHaveProperty('value', '2 gal');
    expect(changes()).toBe(before);
    const planned = String((control('textbox', 'Water') as HTMLInputElement).value);
    await typeIn('Water here, by the sheet', `${planned.replace(/(\d+) oz/, (_, ounces: string) => `${Number(ounces) + 1} oz`)}`);
    await waitFor(() => expect(ofLayer()).toHaveProperty('waterRatio'));
    await tap('Water by the sheet again');
    await waitFor(() => expect(written().at(-1)!.change['batch']).not.toHaveProperty('byLayer'));
  });

  test('what really went in is kept with the batch, wrong doses told as typed, and its water offered to the next', async () => {
    let list: readonly { number: string }[] = [];
    await showJob(dock.job.id, (view) => ((list = view.plan!.batches), (<MixScreen />)), { at: { job: dock.job.id, batch: '1' } });
    expect(list.length).toBeGreaterThan(1);
    await typeIn('Water', '1 oz');
    expect(page()).toContain('grains stay dry');
    await typeIn('Water', planned(list, 0, 1.06));
    expect(page()).not.toContain('grains stay dry');
    await tap('Keep what went in');
    await waitFor(() =>
      expect(written().at(-1)).toMatchObject({
        kind: 'pourEvent.add',
        change: { kind: 'used', batch: '1', payload: { used: { water_m3: expect.any(Number) } } },
      }),
    );
    await waitFor(() => expect(control('button', 'Kept')).toBeTruthy());
    // Beside the plan's water the first one's real water stands, and is one tap.
    await tap('Mix all of it so');
    await waitFor(() => expect(ofLayer()).toHaveProperty('waterRatio'));
  });

  test('rain that is seen to come is a reading of the job', async () => {
    await showJob(dock.job.id, () => <DayScreen />);
    await choose('Rain within', '3 h');
    await waitFor(() => expect(written().at(-1)).toMatchObject({ change: { kind: 'rain_s', value: { value: 10800 } } }));
  });

  test('what is chosen and refused shows its reasons in Mix, and nothing to buy or to mix', async () => {
    const data = firmWith();
    for (const row of Object.values(data.sheet)) if ('thickness' in row.sheet) Object.assign(row, { sheet: { ...row.sheet, orientations: [] } });
    await showJob(dock.job.id, () => <MixScreen />, { data });
    expect(page()).toContain('Refused: nothing is ordered');
    expect(control('button', 'Choose in Fix')).toBeTruthy();
    expect(document.querySelector('[role=checkbox]')).toBeNull();
  });
});

describe('the batch list and its tickets', () => {
  const names = demonstration.map(({ job }) => [job.name, job.id] as const);
  const listed = names.filter(([, id]) => computePlan(assemblePlanInput(firmWith(), id)!).batches.length > 0);

  test.each(names.filter((name) => !listed.includes(name)))('%s has none: nothing is chosen, or a stop stands', async (_, jobId) => {
    await showJob(jobId, () => <MixScreen />);
    expect(screen.queryByRole('list', { name: say(PLAIN, 'mix.list') })).toBeNull();
    expect(screen.queryAllByRole('checkbox')).toEqual([]);
  });

  test.each(listed)('%s: its rows are the core’s batches in their order, each one tap from its ticket', async (_, jobId) => {
    let view: JobView | null = null;
    await showJob(jobId, (given) => ((view = given), (<MixScreen />)));
    const { batches } = computePlan(view!.input);
    const rows = within(screen.getByRole('list', { name: say(PLAIN, 'mix.list') })).getAllByRole('button');
    expect(rows.map((row) => row.getAttribute('aria-label')?.split(':')[0])).toEqual(batches.map(({ number }) => `Batch ${number}`));
    await press(rows.at(-1)!);
    expect(went.at(-1)).toBe(`/jobs/${jobId}/mix?batch=${batches.length}`);
  });

  // What is poured has its numbers already.
  const unpoured = listed.filter(([, id]) => !demonstration.find(({ job }) => job.id === id)?.rows.some(({ name }) => name === 'pourEvent'));
  const tickets = unpoured.flatMap(([name, id]) =>
    computePlan(assemblePlanInput(firmWith(), id)!)
      .batches.filter(({ make }, i, all) => all.findIndex((other) => other.make === make) === i)
      .map((batch) => [name, batch.make, id, batch] as const),
  );
  test('there is a ticket of more than one make to try', () => expect(new Set(tickets.map(([, make]) => make)).size).toBeGreaterThan(3));

  test.each(tickets)('%s, %s: its lines are the core’s, ticked one at a time; opening it keeps its number', async (_name, make, jobId, batch) => {
    await showJob(jobId, () => <MixScreen />, { at: { job: jobId, batch: batch.number } });
    const lines = screen.getAllByRole('checkbox');
    expect(lines).toHaveLength(batch.lines.length);
    await press(lines[0]!);
    expect(screen.getAllByRole('checkbox', { checked: true })).toHaveLength(1);
    await press(lines[0]!);
    expect(screen.queryAllByRole('checkbox', { checked: true })).toHaveLength(0);
    await waitFor(() =>
      expect(written().at(-1)?.change).toMatchObject({
        kind: 'chalked',
        batch: batch.number,
        payload: { key: batch.key },
        findingId: batch.serves[0]!.findingId,
      }),
    );
    expect(written().map(({ kind }) => kind)).toEqual(['plan.add', 'pourEvent.add']);
    // Parts and what comes ready know nothing of water, powder, bags or trowels.
    if (make === 'parts' || make === 'ready')
      expect(lines.map((line) => line.getAttribute('aria-label')).join(' ')).not.toMatch(/[Ww]ater|[Pp]owder|bag|trowel/);
  });
});

test('how much at once may be a weight, inside a bag; what is wrong says so and is kept', async () => {
  await showJob(dock.job.id, () => <MixScreen />);
  await typeIn(say(PLAIN, 'ways.weightUs'), '500');
  await waitFor(() => expect(page()).toContain(say(PLAIN, 'ways.weightFault')));
  expect(written()).toEqual([]);
  await typeIn(say(PLAIN, 'ways.weightUs'), '20');
  expect((await lastOf(1)).change['batch']).toMatchObject({ share: expect.closeTo((20 * 0.45359237) / 22.7, 3) });
});

test('this crew and this mix become those that new jobs begin with; what is planned by knows nothing of it', async () => {
  await showJob(dock.job.id, () => <MixScreen />);
  await tap(say(PLAIN, 'ways.toFirm'));
  const { kind, change: changed } = await lastOf(1);
  expect(kind).toBe('firm.change');
  const { newJob } = changed['settings'] as { newJob: { crew: object; batch: object } };
  const input = assemblePlanInput(firmWith(), dock.job.id)!;
  expect(newJob).toEqual({ crew: input.crew, batch: input.batch });
  await waitFor(() => expect(page()).toContain(say(PLAIN, 'ways.firmHas')));
  const data = firmWith();
  for (const row of Object.values(data.firm)) Object.assign(row, { settings: { ...row.settings, newJob } });
  expect(assemblePlanInput(data, dock.job.id)).toEqual(input);
});

test('the mixing clock counts down from the sheet’s time and is stopped by a tap', async () => {
  await showJob(dock.job.id, () => <MixScreen />, { at: { job: dock.job.id, batch: '1' } });
  await tap(say(PLAIN, 'mix.timer'));
  await waitFor(() => expect(document.querySelector('[role=timer]')?.textContent).toMatch(/^(2:00|1:5\d)$/));
  await tap(say(PLAIN, 'mix.timerStop'));
  expect(document.querySelector('[role=timer]')).toBeNull();
});

test('a firm that measures by volume reads level vessels of loose powder, with what they weigh', async () => {
  const data = firmWith();
  const job = data.job[dock.job.id]!;
  Object.assign(job, { house: { ...(job.house ?? {}), measuring: 'volume' } });
  await showJob(dock.job.id, () => <MixScreen />, { data, at: { job: dock.job.id, batch: '1' } });
  const powder = screen.getAllByRole('checkbox').find((line) => line.getAttribute('aria-label')?.startsWith('Powder'))!;
  // Half a 22.7 kg bag at 1450 kg/m3 loose is 7.83 L, 8.27 quarts.
  expect(powder.getAttribute('aria-label')).toMatch(/^Powder (8 qt|2\.07 gal|8\.27 qt).*struck off level: 25 lb/);
});

describe('the load for several jobs', () => {
  test('sums what each takes, packs rounded once; with none picked it asks for one', async () => {
    await show(<LoadScreen />, { data: firmWith() });
    expect(page()).toContain(say(PLAIN, 'load.none'));
    const both = [dock.job.name, wall.job.name];
    for (const name of both) await tap(name, 'checkbox');
    const inputs = [dock, wall].map(({ job }) => assemblePlanInput(firmWith(), job.id)!);
    const { orders } = loadOf([inputs[0]!, inputs[1]!]);
    const count = orders.reduce((sum, { chosen }) => sum + chosen.packages.reduce((all, pack) => all + pack.count, 0), 0);
    await waitFor(() => expect(page()).toContain(say(PLAIN, 'load.packs', { count })));
    // What both take of one product is ordered as one.
    for (const { sheetId, powder } of orders)
      expect(powder.p50).toBeCloseTo(
        inputs.flatMap((input) => computePlan(input).orders.filter((order) => order.sheetId === sheetId)).reduce((sum, order) => sum + order.powder.p50, 0),
        9,
      );
    expect(page()).toContain(say(PLAIN, 'load.order'));
  });
});
