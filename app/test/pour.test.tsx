import { computePlan, hashesOf, namedOnly } from '@tufa/core/plan';
import { assemblePlanInput } from '@tufa/contract/assemble';
import type { PourEventFields } from '@tufa/contract/entities';
import type { EventKind } from '@tufa/core/pour';
import { PLAIN, say } from '@tufa/words';
import { act, screen, waitFor, within } from '@testing-library/react';
import { BigEvents } from '../pour/BigEvents';
import { PourScreen } from '../pour/PourScreen';
import { SiteScreen } from '../pour/SiteScreen';
import { UndoBand } from '../pour/UndoBand';
import { RecordScreen } from '../record/RecordScreen';
import { change, write } from '../outbox/useFirm';
import { choose, control, demonstration, firmWith, lastOf, LEAD, page, press, show, tap, typeIn, written } from './shown';

const dock = demonstration[0]!;
const data = firmWith([dock]);
const input = assemblePlanInput(data, dock.job.id)!;
const chosen = computePlan(input).findings.find((finding) => finding.chosen !== null)!;
const PLAN = '0198a000-aaaa-7000-8000-000000000001';

const understood = async (): Promise<void> => {
  for (let open = document.querySelectorAll('[data-testid^="ack-"]'); open.length > 0; open = document.querySelectorAll('[data-testid^="ack-"]')) {
    const before = open.length;
    await press(open[0]!);
    await waitFor(() => expect(document.querySelectorAll('[data-testid^="ack-"]').length).toBeLessThan(before));
  }
};

/** One event of a batch as it was tapped, minutes after the morning began. */
const event = (id: string, batch: string, kind: EventKind, after_min: number, more: Partial<PourEventFields> = {}) =>
  change('pourEvent', 'add', id, {
    jobId: dock.job.id,
    findingId: chosen.findingId,
    planId: PLAN,
    batch,
    deviceAt: new Date(Date.UTC(2026, 4, 12, 9) + after_min * 60_000).toISOString(),
    clockOffset: 0,
    person: LEAD.id,
    kind,
    v: 1,
    payload: {},
    undoes: null,
    ...more,
  });
const idOf = (batch: string, i: number): string => `0198a000-bbbb-7000-8000-${batch.padStart(6, '0')}${String(i).padStart(6, '0')}`;
const events = (batch: string, ...taps: readonly [kind: EventKind, after_min: number, payload?: { text: string }][]) =>
  taps.map(([kind, after_min, payload = {}], i) => event(idOf(batch, i), batch, kind, after_min, { payload }));
const planned = change('plan', 'add', PLAN, { jobId: dock.job.id, input, hashes: hashesOf(input), coreVersion: '0.1.0', seed: 1, replaces: null });

test.each(demonstration.map(({ job }) => [job.name, job.id] as const))(
  'the plan of %s that is kept carries the sheets it names, and plans the same',
  (_, jobId) => {
    const whole = assemblePlanInput(firmWith(), jobId)!;
    const kept = namedOnly(whole);
    expect(hashesOf(kept)).toEqual(hashesOf(whole));
    expect(computePlan(kept, { ranked: 'chosen' })).toEqual(computePlan(whole, { ranked: 'chosen' }));
    expect(kept.sheets.length).toBeLessThanOrEqual(2 * whole.treatments.length);
    expect(JSON.stringify(kept).length).toBeLessThan(JSON.stringify(whole).length / 3);
  },
);

describe('a pour', () => {
  test('does not begin before every caution is understood; its first batch names a plan written in the same breath', async () => {
    await show(<PourScreen />, { data, at: { job: dock.job.id } });
    expect(screen.getByTestId('start-batch').getAttribute('aria-disabled')).toBe('true');
    expect(page()).toContain(say(PLAIN, 'pour.ackFirst'));
    await understood();
    const before = written().length;
    await press(screen.getByTestId('start-batch'));
    await waitFor(() => expect(written()).toHaveLength(before + 2));
    const plan = written().at(-2)!;
    const start = written().at(-1)!;
    expect([plan.kind, start.kind]).toEqual(['plan.add', 'pourEvent.add']);
    const [first] = computePlan(input).batches;
    expect(start.change).toMatchObject({
      kind: 'start',
      batch: '1',
      planId: plan.target,
      findingId: first!.serves[0]!.findingId,
      payload: { key: first!.key },
      person: LEAD.id,
    });
    expect(plan.change['hashes']).toEqual(hashesOf(plan.change['input'] as typeof input));
    await screen.findByTestId('running');
  });

  test('a second batch is poured by the same plan; a number once written is never used again', async () => {
    await show(<PourScreen />, { data, at: { job: dock.job.id } });
    await act(() => write(planned, ...events('1', ['start', 0], ['placed', 5], ['finished', 9])));
    await understood();
    await press(screen.getByTestId('start-batch'));
    await waitFor(() => expect(written().at(-1)?.change).toMatchObject({ kind: 'start', batch: '2', planId: PLAN }));
    expect(written().filter(({ kind }) => kind === 'plan.add')).toHaveLength(1);
  });
});

describe('the events of a batch', () => {
  const tapped: unknown[][] = [];
  let ended = 0;
  beforeEach(() => {
    tapped.length = 0;
    ended = 0;
  });
  const open = (more: Partial<Parameters<typeof BigEvents>[0]> = {}) =>
    show(<BigEvents make="pail" placed={false} busy={false} shot={null} onTap={(...tap) => void tapped.push(tap)} onShot={() => (ended += 1)} {...more} />);

  test.each(['placed', 'finished', 'went-hard'])('%s is one tap', async (id) => {
    await open();
    await press(screen.getByTestId(id));
    expect(tapped).toEqual([[id === 'went-hard' ? 'wentHard' : id]]);
  });

  test('what is placed is not placed again, and nothing is heard while a tap is being written', async () => {
    await open({ placed: true, busy: true });
    expect(screen.queryByTestId('placed')).toBeNull();
    await press(screen.getByTestId('finished'));
    expect(tapped).toEqual([]);
  });

  test('a shot is ended by the next bottle, by its line being full or by going hard; after the last one nothing follows', async () => {
    await open({ make: 'parts', shot: 'next' });
    await press(screen.getByTestId('next-shot'));
    expect([ended, tapped]).toEqual([1, []]);
    await press(screen.getByTestId('full'));
    await open({ make: 'parts', shot: 'last' });
    await press(screen.getAllByTestId('next-shot').at(-1)!);
    expect(tapped).toEqual([['full'], ['finished']]);
    expect(screen.queryByTestId('placed')).toBeNull();
  });
});

describe('the band that takes a tap back', () => {
  beforeEach(() => void jest.useFakeTimers());
  afterEach(() => void jest.useRealTimers());
  const did = () => ({ what: 'placed', eventId: 'e', batch: { batch: '3', findingId: 'f', planId: 'p' }, until: Date.now() + 8000 }) as const;

  test('is deaf to the second tap of a double tap, counts down, and is gone after eight seconds', async () => {
    let undone = 0;
    let gone = 0;
    await show(<UndoBand did={did()} onUndo={() => (undone += 1)} onGone={() => (gone += 1)} />);
    const band = screen.getByTestId('undo');
    expect(band.getAttribute('aria-disabled')).toBe('true');
    await act(async () => void jest.advanceTimersByTime(800));
    expect(band.getAttribute('aria-disabled')).toBeNull();
    const before = band.textContent;
    await act(async () => void jest.advanceTimersByTime(3000));
    expect(band.textContent).not.toBe(before);
    expect([undone, gone]).toEqual([0, 0]);
    await act(async () => void jest.advanceTimersByTime(5000));
    expect(gone).toBeGreaterThan(0);
  });
});

describe('a plan of another release', () => {
  const { substrates: _none, ...old } = input.sheets.find(({ id }) => id === chosen.chosen!.sheetId)!;
  const planWith = (made: object) =>
    change('plan', 'add', PLAN, { jobId: dock.job.id, input: made as never, hashes: hashesOf(input), coreVersion: '0.0.1', seed: 1, replaces: null });

  test('from before sheets told substrates is read by what stands in for them: its clock runs', async () => {
    await show(<PourScreen />, { data, at: { job: dock.job.id } });
    const { acceptedChance: _gone, ...firm } = input.firm;
    await act(() => write(planWith({ ...input, firm, sheets: [...input.sheets.filter(({ id }) => id !== old.id), old] }), ...events('1', ['start', 0])));
    await screen.findByTestId('placed');
    expect(page()).not.toContain(say(PLAIN, 'pour.unread', { batch: '1' }));
    expect(page()).toContain(say(PLAIN, 'pour.batchOf', { batch: '1', count: computePlan(input).batches.length }));
  });

  test.each([
    ['of another shape', { v: 9 }],
    ['without its elements', { ...input, elements: undefined }],
    ['whose sheet says nothing', { ...input, sheets: [{ id: chosen.chosen!.sheetId, name: 'Old' }] }],
  ])('%s: its batch has no clock and says so, and its end can be told; the record tells it too', async (_, made) => {
    const at = { job: dock.job.id };
    const { unmount } = await show(<PourScreen />, { data, at });
    await act(() => write(planWith(made), ...events('1', ['start', 0])));
    await waitFor(() => expect(page()).toContain(say(PLAIN, 'pour.unread', { batch: '1' })));
    await tap(say(PLAIN, 'pour.finished'));
    expect((await lastOf(3)).change).toMatchObject({ kind: 'finished', batch: '1', planId: PLAN });
    unmount();
    await show(<RecordScreen />, { data, at });
    expect(page()).toContain(say(PLAIN, 'record.unread'));
  });

  test('that runs beside one with a clock is not hidden by it', async () => {
    const OLD = '0198a000-aaaa-7000-8000-000000000009';
    const old = change('plan', 'add', OLD, {
      jobId: dock.job.id,
      input: { v: 9 } as never,
      hashes: hashesOf(input),
      coreVersion: '0.0.1',
      seed: 1,
      replaces: null,
    });
    await show(<PourScreen />, { data, at: { job: dock.job.id } });
    await act(() => write(old, event(idOf('1', 0), '1', 'start', 0, { planId: OLD })));
    await act(() => write(planned, ...events('2', ['start', 1])));
    await waitFor(() => expect(page()).toContain(say(PLAIN, 'pour.batchOf', { batch: '2', count: computePlan(input).batches.length })));
    expect(page()).toContain(say(PLAIN, 'pour.unread', { batch: '1' }));
    await tap(say(PLAIN, 'pour.unreadLook'));
    await tap(say(PLAIN, 'pour.wentHard'));
    expect((await lastOf(5)).change).toMatchObject({ kind: 'wentHard', batch: '1', planId: OLD });
  });
});

describe('beside the bucket', () => {
  const ended = events('1', ['start', 0], ['placed', 5], ['finished', 9]);
  const withPour = async (...changes: readonly ReturnType<typeof change>[]) => {
    await show(<PourScreen />, { data, at: { job: dock.job.id } });
    await act(() => write(planned, ...changes));
  };

  test('two plans that were made apart for what is left are both kept until whoever leads picks which goes on', async () => {
    const poured = [{ layer: 'nothing', amount: 0, batches: 0, last: '1' }];
    const ids = ['0198a000-aaaa-7000-8000-0000000000a1', '0198a000-aaaa-7000-8000-0000000000a2'] as const;
    const rival = (id: string, hands: number) =>
      change('plan', 'add', id, {
        jobId: dock.job.id,
        input: namedOnly({ ...input, crew: { ...input.crew, hands }, poured }),
        hashes: hashesOf(input),
        coreVersion: '0.1.0',
        seed: 1,
        replaces: PLAN,
      });
    await withPour(...ended, rival(ids[0], 1), rival(ids[1], 2));
    expect(page()).toContain(say(PLAIN, 'pour.rivals'));
    const picks = within(screen.getByTestId('rivals')).getAllByRole('button');
    expect(picks).toHaveLength(2);
    await press(picks[1]!);
    // The newest stands first, so that the second is the older one.
    await waitFor(() => expect(written().at(-1)!.change).toMatchObject({ kind: 'settled', planId: ids[0], payload: { plan: ids[0] } }));
    await waitFor(() => expect(screen.queryByTestId('rivals')).toBeNull());
    await understood();
    await press(screen.getByTestId('start-batch'));
    await waitFor(() => expect(written().at(-1)!.change).toMatchObject({ kind: 'start', planId: ids[0] }));
  });

  test('a check passes, or becomes a finding of its own at the same place', async () => {
    await withPour(...ended);
    const checks = screen.getByTestId('checks');
    await press(within(checks).getAllByRole('button', { name: say(PLAIN, 'checks.pass') })[0]!);
    await waitFor(() => expect(written().at(-1)!.change).toMatchObject({ kind: 'checked', payload: { test: 'lip', passed: true } }));
    await screen.findByTestId('undo');
    await press(within(checks).getAllByRole('button', { name: say(PLAIN, 'checks.rework') })[0]!);
    await waitFor(() => expect(written().at(-1)!.kind).toBe('finding.add'));
    expect(written().at(-2)!.change).toMatchObject({ kind: 'checked', payload: { test: 'fall', passed: false } });
    // The finding that the batch went into, whichever of the job's is chosen first.
    const { outline, label } = data.finding[computePlan(input).batches[0]!.serves[0]!.findingId]!;
    expect(written().at(-1)!.change).toMatchObject({ outline, label: `${label}r` });
    await waitFor(() => expect(checks.textContent).toContain(say(PLAIN, 'checks.passed')));
  });

  test('a number that two started is told of, and roles are seen by all', async () => {
    const again = event('0198a000-cccc-7000-8000-000000000001', '1', 'start', 1, { person: 'somebody' });
    await withPour(...ended, again);
    expect(page()).toMatch(/Batch 1 was started twice: by Lead/);
    await choose(say(PLAIN, 'pour.role'), say(PLAIN, 'pour.roles.mix'));
    await waitFor(() => expect(written().at(-1)!.change).toMatchObject({ kind: 'role', batch: '0', payload: { role: 'mix' } }));
  });

  test('the log keeps what a thermometer shows, the hand test, and that a batch was thrown away', async () => {
    await withPour(event(idOf('1', 0), '1', 'start', 0, { deviceAt: new Date().toISOString() }));
    await tap(say(PLAIN, 'pour.log'));
    await typeIn(say(PLAIN, 'pour.pailTemp'), '24 C');
    await waitFor(() => expect(written().at(-1)!.change).toMatchObject({ kind: 'read', payload: { pail_C: 24 } }));
    await tap(say(PLAIN, 'pour.testNo'));
    await waitFor(() => expect(written().at(-1)!.change).toMatchObject({ kind: 'tested', payload: { test: 'consistency', passed: false } }));
    await tap(say(PLAIN, 'pour.log'));
    await press(screen.getByTestId('thrown'));
    await waitFor(() => expect(written().at(-1)!.change).toMatchObject({ kind: 'thrown', batch: '1' }));
    await waitFor(() => expect(page()).toContain(say(PLAIN, 'record.thrown')));
  });

  test('what was used is taken off the yard’s stock with one tap, once', async () => {
    await withPour(...ended);
    const { productId } = input.sheets.find(({ id }) => id === chosen.chosen!.sheetId)!;
    const lot = '0198a000-dddd-7000-8000-000000000001';
    await act(() => write(change('stockLot', 'add', lot, { productId, amount: 40, lot: null, openedOn: null, useBy: null })));
    const stock = screen.getByTestId('stock-used');
    const [batch] = computePlan(input).batches;
    await waitFor(() => expect(within(stock).getAllByRole('button')).toHaveLength(1));
    await press(within(stock).getByRole('button'));
    await waitFor(() =>
      expect(written().at(-1)!.change).toMatchObject({ kind: 'stocked', payload: { taken: { productId, mass_kg: expect.closeTo(batch!.amount, 9) } } }),
    );
    const lots = written().filter(({ kind }) => kind === 'stockLot.change');
    expect(lots.length).toBeGreaterThan(0);
    await waitFor(() => expect(within(stock).queryAllByRole('button')).toHaveLength(0));
  });

  test('the site’s screen tells who runs which batch', async () => {
    await show(<SiteScreen />, { data, at: { job: dock.job.id } });
    expect(page()).toContain(say(PLAIN, 'pour.nothingRuns'));
    await act(() => write(planned, event(idOf('1', 0), '1', 'start', 0, { deviceAt: new Date().toISOString() })));
    await waitFor(() => expect(page()).toContain(`${say(PLAIN, 'mix.batchOf', { number: '1' })}, ${LEAD.name}`));
  });
});

describe('the record', () => {
  const record = async (...changes: readonly ReturnType<typeof change>[]) => {
    await show(<RecordScreen />, { data, at: { job: dock.job.id } });
    await act(() => write(planned, ...changes));
  };

  test('of nothing says so and leads to the pour', async () => {
    await show(<RecordScreen />, { data, at: { job: dock.job.id } });
    expect(page()).toContain(say(PLAIN, 'record.none'));
    control('button', say(PLAIN, 'step.pour'));
  });

  test('tells each batch’s minutes beside the plan’s, who, and its notes', async () => {
    await record(...events('1', ['start', 0], ['placed', 4], ['note', 5, { text: 'ice' }], ['finished', 11]), ...events('2', ['start', 20], ['wentHard', 31]));
    for (const row of screen.getAllByRole('button', { name: /^Batch \d/ })) await act(async () => row.click());
    const text = page();
    expect(text).toContain(say(PLAIN, 'record.title', { count: 2 }));
    expect(text).toContain(`${say(PLAIN, 'record.finished')} 11 min`);
    expect(text).toContain(`${say(PLAIN, 'record.wentHard')} 11 min`);
    expect(text).toMatch(/4 min/);
    expect(text).toContain('ice');
    expect(text).toContain(LEAD.name);
  });

  test('two ends of one batch are both told', async () => {
    await record(...events('1', ['start', 0], ['finished', 9], ['wentHard', 10]));
    expect(page()).toContain(say(PLAIN, 'record.both', { a: say(PLAIN, 'record.finished'), b: say(PLAIN, 'record.wentHard') }));
  });

  test('what was taken back is not told', async () => {
    await record(...events('1', ['start', 0], ['finished', 9]));
    await act(() => write(event(idOf('1', 9), '1', 'undo', 10, { undoes: idOf('1', 1) })));
    await waitFor(() => expect(page()).toContain(say(PLAIN, 'record.running')));
    expect((await lastOf(4)).change).toMatchObject({ kind: 'undo' });
  });
});
