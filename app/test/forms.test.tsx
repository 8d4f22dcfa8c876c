import type { CommandResult } from '@tufa/contract/commands';
import { PLAIN, say } from '@tufa/words';
import { act, screen, waitFor } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { JobForm } from '../jobs/JobForm';
import { outbox } from '../outbox/Outbox';
import Returned from '../outbox/Returned';
import { change, write } from '../outbox/useFirm';
import { StockLots } from '../shelf/StockLots';
import { answered, control, demonstration, firmWith, lastOf, page, show, tap, typeIn, written, press } from './shown';
import { went } from './router';

const dock = demonstration[0]!;
const METRIC = { ...PLAIN, system: 'metric', currency: 'EUR' } as const;
const isoDay = (days: number): string => new Date(Date.now() + days * 86_400_000).toISOString().slice(0, 10);

describe('a job', () => {
  test('is written whole with the firm’s ordinary crew and batch, and Walk opens on it', async () => {
    await show(<JobForm />);
    await typeIn(say(PLAIN, 'jobs.name'), 'Loading ramp');
    await typeIn(say(PLAIN, 'jobs.customer'), 'Yard');
    await tap(say(PLAIN, 'jobs.create'));
    const { kind, target, change: fields } = await lastOf(1);
    expect([kind, fields]).toEqual([
      'job.add',
      expect.objectContaining({ name: 'Loading ramp', customer: 'Yard', address: '', pourOn: null, demonstration: false }),
    ]);
    expect(fields).toHaveProperty('crew.hands');
    await waitFor(() => expect(went).toEqual([`/jobs/${target}/walk`]));
  });

  test('without a name is refused at the name, and what else was typed stays', async () => {
    await show(<JobForm />);
    await typeIn(say(PLAIN, 'jobs.customer'), 'Yard');
    await tap(say(PLAIN, 'jobs.create'));
    await screen.findByRole('alert');
    expect(page()).toContain(say(PLAIN, 'field.required'));
    expect(control('textbox', say(PLAIN, 'jobs.customer'))).toHaveProperty('value', 'Yard');
    expect([written(), went]).toEqual([[], []]);
  });

  test('a name that is too long is told its limit', async () => {
    await show(<JobForm />);
    await press(control('textbox', say(PLAIN, 'jobs.name')));
    await userEvent.paste('x'.repeat(2000));
    await tap(say(PLAIN, 'jobs.create'));
    expect((await screen.findByRole('alert')).textContent).toMatch(/\d+/);
    expect(written()).toEqual([]);
  });

  test('what was typed outlives the page, until it is saved or given up', async () => {
    const { unmount } = await show(<JobForm />);
    await typeIn(say(PLAIN, 'jobs.name'), 'Half a name');
    unmount();
    await show(<JobForm />);
    expect(control('textbox', say(PLAIN, 'jobs.name'))).toHaveProperty('value', 'Half a name');
    await tap(say(PLAIN, 'walk.cancel'));
    expect(went).toEqual(['/jobs']);
  });

  test('that changed while its form was open clashes with what the form was opened with, also after a reload', async () => {
    const address = (dock.job as { address?: string }).address;
    const at = { at: { job: dock.job.id } };
    const { unmount } = await show(<JobForm />, at);
    await typeIn(say(PLAIN, 'jobs.address'), 'Upper yard');
    // Another page of this phone.
    await act(() => write(change('job', 'change', dock.job.id, { address: 'Side yard' })));
    unmount();
    await show(<JobForm />, at);
    await tap(say(PLAIN, 'jobs.save'));
    await lastOf(2);
    expect(outbox.snapshot().map(({ command: { base, change: fields } }) => [base, fields])).toEqual([
      [{ address }, { address: 'Side yard' }],
      [expect.objectContaining({ address }), expect.objectContaining({ address: 'Upper yard' })],
    ]);
  });

  test('that is changed changes what its form has, and nothing else of it', async () => {
    await show(<JobForm />, { at: { job: dock.job.id } });
    await typeIn(say(PLAIN, 'jobs.address'), 'Upper yard');
    await tap(say(PLAIN, 'jobs.save'));
    const { kind, target, change: fields } = await lastOf(1);
    expect([kind, target, Object.keys(fields).sort(), fields['address']]).toEqual([
      'job.change',
      dock.job.id,
      ['accessNote', 'address', 'customer', 'name', 'opensBy', 'place', 'pourOn', 'zone'],
      'Upper yard',
    ]);
  });

  test('takes the clocks of its place; what is no place, or an opening before the work, is refused where it stands', async () => {
    await show(<JobForm />);
    await typeIn(say(PLAIN, 'jobs.name'), 'Quay');
    await typeIn(say(PLAIN, 'place.label'), 'by the harbour');
    await tap(say(PLAIN, 'jobs.create'));
    expect((await screen.findByRole('alert')).textContent).toBe(say(PLAIN, 'place.unreadable'));
    await typeIn(say(PLAIN, 'place.label'), '36.85 S, 174.76 E');
    await typeIn(say(PLAIN, 'jobs.pourOn'), '2026-12-01T07:00');
    await typeIn(say(PLAIN, 'jobs.opensBy'), '2026-12-01T06:00');
    await tap(say(PLAIN, 'jobs.create'));
    await waitFor(() => expect(page()).toContain(say(PLAIN, 'jobs.opensBefore')));
    await typeIn(say(PLAIN, 'jobs.opensBy'), '2026-12-01T16:00');
    await tap(say(PLAIN, 'jobs.create'));
    expect((await lastOf(1)).change).toMatchObject({
      place: { latitude_deg: -36.85, longitude_deg: 174.76 },
      zone: 'Pacific/Auckland',
      pourOn: '2026-12-01T07:00',
      opensBy: '2026-12-01T16:00',
    });
  });

  test('that is not on this phone is said, and not replaced by an empty form', async () => {
    await show(<JobForm />, { at: { job: '0198a000-de00-7000-8000-00000000ffff' } });
    expect(page()).toContain(say(PLAIN, 'state.notFound'));
    expect(screen.queryAllByRole('textbox')).toEqual([]);
  });

  test('copied, is another job with all that was found, and nothing that was poured', async () => {
    await show(<JobForm />, { at: { job: dock.job.id } });
    await tap(say(PLAIN, 'jobs.copy'));
    await waitFor(() => expect(went).toHaveLength(1));
    const kinds = written().map(({ kind }) => kind);
    const { finding, element } = firmWith([dock]);
    expect(kinds.filter((kind) => kind === 'finding.add')).toHaveLength(Object.keys(finding).length);
    expect(kinds.filter((kind) => kind === 'element.add')).toHaveLength(Object.keys(element).length);
    expect(kinds.filter((kind) => kind.startsWith('pourEvent'))).toEqual([]);
    expect(new Set(written().map(({ target }) => target)).size).toBe(written().length);
  });
});

describe('what lies in the yard', () => {
  const row = Object.values(firmWith([]).sheet).find(({ sheet }) => sheet.class === 'sandedRapid')!;
  const aid = Object.values(firmWith([]).sheet).find(({ sheet }) => 'unit' in sheet && sheet.unit === 'm3')!;
  const open = (of = row, speaker: Parameters<typeof show>[1] = {}) => show(({ data }) => <StockLots data={data} row={of} />, speaker);
  const adds = async (amount: string, more: { lot?: string; useBy?: string } = {}): Promise<void> => {
    await tap(say(PLAIN, 'shelf.addLot'));
    await typeIn(say(PLAIN, 'shelf.amount'), amount);
    if (more.lot) await typeIn(say(PLAIN, 'shelf.lotNumber'), more.lot);
    if (more.useBy) await userEvent.type(control('textbox', say(PLAIN, 'shelf.useByField')), more.useBy);
    await tap(say(PLAIN, 'shelf.addLot'));
  };

  test.each([
    ['100 lb', 45.359237],
    ['55', 24.94758],
    ['25 kg', 25],
  ] as const)('%s of powder is %s kg', async (text, kg) => {
    await open();
    await adds(text, { lot: ' 4711 ' });
    const { kind, change: fields } = await lastOf(1);
    expect([kind, fields['lot'], fields['productId'], fields['useBy']]).toEqual(['stockLot.add', '4711', row.productId, null]);
    expect(fields['amount']).toBeCloseTo(kg, 5);
  });

  test('a liquid is counted by volume, in the firm’s units', async () => {
    await open(aid, { speaker: METRIC });
    await adds('5');
    expect((await lastOf(1)).change['amount']).toBeCloseTo(0.005, 9);
    await waitFor(() => expect(page()).toContain('5 L'));
  });

  test.each(['', 'some', '0', '-4 lb'])('%j is no amount: said at the field, nothing written', async (text) => {
    await open();
    await adds(text);
    expect((await screen.findByRole('alert')).textContent).toMatch(/\w/);
    expect(written()).toEqual([]);
  });

  test.each([
    ['long past', -3, 'shelf.overdue'],
    ['soon', 5, 'shelf.soon'],
  ] as const)('what must be used %s says so', async (_, days, code) => {
    await open();
    await adds('50 lb', { useBy: isoDay(days) });
    await lastOf(1);
    await waitFor(() => expect(page()).toContain(say(PLAIN, code)));
  });

  test('a lot that is opened is used by its sheet’s days, never later than it was', async () => {
    await open();
    await adds('50 lb', { useBy: isoDay(2) });
    await lastOf(1);
    await tap(say(PLAIN, 'shelf.open'));
    expect((await lastOf(2)).change).toMatchObject({ useBy: isoDay(2), openedOn: expect.stringMatching(/^\d{4}-\d\d-\d\d$/) });
  });

  test('used up, it can be brought back; corrected without a new amount it keeps the one it had to the gram', async () => {
    await open();
    await adds('51.3 lb');
    const { target, change: fields } = await lastOf(1);
    await tap(say(PLAIN, 'shelf.correct'));
    await typeIn(say(PLAIN, 'shelf.lotNumber'), 'B');
    await tap(say(PLAIN, 'shelf.correctLot'));
    expect((await lastOf(2)).change).toMatchObject({ amount: fields['amount'], lot: 'B' });
    await tap(say(PLAIN, 'shelf.usedUp'));
    expect(await lastOf(3)).toMatchObject({ kind: 'stockLot.remove', target });
    await tap(say(PLAIN, 'shelf.undo'));
    expect(await lastOf(4)).toMatchObject({ kind: 'stockLot.change', target, change: { amount: fields['amount'] } });
  });
});

describe('what came back from the firm', () => {
  const back = async (result: (id: string) => CommandResult): Promise<void> => {
    await show(null);
    await write(change('job', 'change', dock.job.id, { name: 'Mine' }));
    await answered(({ id }) => result(id));
    await show(<Returned />);
    await tap(say(PLAIN, 'state.look'));
  };
  const clash = (id: string): CommandResult => ({ id, result: 'conflict', version: 3, conflicts: [{ field: 'name', yours: 'Mine', theirs: 'Theirs' }] });

  test('a clash shows both values; mine is written again over theirs', async () => {
    await back(clash);
    expect(screen.getByRole('table').textContent).toMatch(/Mine.*Theirs/);
    await tap(say(PLAIN, 'state.keepMine'));
    await waitFor(() => expect(outbox.snapshot().map(({ state }) => state)).toEqual(['waiting']));
    expect(written()[0]).toMatchObject({ kind: 'job.change', target: dock.job.id, change: { name: 'Mine' } });
  });

  test('theirs is taken by two presses, not by one', async () => {
    await back(clash);
    // With the keys: a page without a layout knows no slide.
    screen.getByRole('button', { name: say(PLAIN, 'slide.how', { what: say(PLAIN, 'state.keepTheirs') }) }).focus();
    await userEvent.keyboard('{Enter}');
    expect(outbox.snapshot()).toHaveLength(1);
    await userEvent.keyboard('{Enter}');
    await waitFor(() => expect(outbox.snapshot()).toEqual([]));
  });

  test('a refusal says what the firm said', async () => {
    await back((id) => ({ id, result: 'refused', problem: { type: '', title: 'The name is too long.', status: 422, code: 'x' } }));
    expect(page()).toContain('The name is too long.');
    expect(screen.queryByRole('button', { name: say(PLAIN, 'state.keepMine') })).toBeNull();
  });
});
