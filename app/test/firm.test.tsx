import type { RowOf } from '@tufa/contract/entities';
import { DEFAULT_HOUSE } from '@tufa/core/choose';
import { DEFAULT_RATES } from '@tufa/core/plan';
import { PLAIN } from '@tufa/words';
import { cleanup, screen, waitFor, within } from '@testing-library/react';
import { FirmNumbers } from '../firm/FirmNumbers';
import { HoursView } from '../firm/HoursView';
import { HouseMethodView } from '../firm/HouseMethodView';
import { LetterheadView } from '../firm/LetterheadView';
import { RatesView } from '../firm/RatesView';
import { VesselsView } from '../firm/VesselsView';
import { WorkRatesView } from '../firm/WorkRatesView';
import { choose, control, FIRM, page, show, tap, typeIn, written } from './shown';

const METRIC = { ...PLAIN, system: 'metric', currency: 'EUR' } as const;
const firmOf = (data: { firm: Readonly<Record<string, RowOf<'firm'>>> }) => data.firm[FIRM]!;
const settings = () => written().at(-1)?.change['settings'] as { rates?: Record<string, number>; pail_m3: number; lift_kg: number } | undefined;

test('what nobody set stands as an ordinary figure and says so; what is typed is the firm’s own', async () => {
  await show(({ data }) => <RatesView firm={firmOf(data)} />);
  const before = page().split('assumed').length;
  await typeIn(/hour/i, '85');
  await waitFor(() => expect(settings()?.rates).toEqual({ labour_minor_h: 8500 }));
  expect(page().split('assumed').length).toBe(before - 1);
});

test.each([
  ['us', PLAIN, 907.18474],
  ['metric', METRIC, 1000],
] as const)('disposal is priced by what a yard’s bill says: %s', async (_, speaker, kg) => {
  await show(({ data }) => <RatesView firm={firmOf(data)} />, { speaker });
  await typeIn(/ton/i, '60');
  await waitFor(() => expect(settings()?.rates?.['disposal_minor_kg']).toBeCloseTo(6000 / kg, 12));
});

test('a rate that cannot be read says so where it is, is kept as typed and written nowhere; emptied it is the ordinary one again', async () => {
  await show(({ data }) => <RatesView firm={firmOf(data)} />);
  const field = await typeIn(/hour/i, 'much');
  expect(screen.getByRole('alert').textContent).toMatch(/\d/);
  expect(field).toHaveProperty('value', 'much');
  expect(written()).toEqual([]);
  await typeIn(/hour/i, '');
  await waitFor(() => expect(settings()?.rates).toEqual({ labour_minor_h: DEFAULT_RATES.labour_minor_h }));
});

test('tax has a share and a name of its own; the hours of work begin before they end; a letterhead keeps its lines', async () => {
  await show(({ data }) => <RatesView firm={firmOf(data)} />);
  await typeIn(/tax/i, '5.3');
  await waitFor(() => expect(settings()).toMatchObject({ tax: { name: 'Tax', share: 0.053 } }));
  await typeIn(/called/i, 'Sales tax');
  await waitFor(() => expect(settings()).toMatchObject({ tax: { name: 'Sales tax', share: 0.053 } }));
  cleanup();
  await show(({ data }) => <HoursView firm={firmOf(data)} />);
  await typeIn(/From, hour/, '17');
  expect(screen.getByRole('alert').textContent).toContain('cannot end when it begins');
  await typeIn(/From, hour/, '6:30');
  await waitFor(() => expect(settings()).toMatchObject({ hours: { from_h: 6.5, to_h: 17, days: [1, 2, 3, 4, 5] } }));
  cleanup();
  await show(({ data }) => <LetterheadView firm={firmOf(data)} />);
  await typeIn(/Lines/, 'Press lane 4, licence 0000');
  await waitFor(() => expect(settings()).toMatchObject({ letterhead: { lines: 'Press lane 4, licence 0000', logo: null } }));
});

test.each([
  ['a markup of nothing', /mark/i, '0', 'markup', 0],
  ['a markup of a fifth', /mark/i, '20 %', 'markup', 0.2],
  ['ten hours', /on site/, '10 h', 'workday_s', 36000],
] as const)('%s is taken', async (_, label, text, name, value) => {
  await show(({ data }) => <RatesView firm={firmOf(data)} />);
  await typeIn(label, text);
  await waitFor(() => expect(settings()?.rates).toEqual({ [name]: value }));
});

test.each([
  ['a markup below nothing', /mark/i, '-5'],
  ['a day of 30 hours', /on site/, '30'],
  ['a day of no hours', /on site/, '0'],
] as const)('%s is refused', async (_, label, text) => {
  await show(({ data }) => <RatesView firm={firmOf(data)} />);
  await typeIn(label, text);
  expect(screen.getByRole('alert')).toBeTruthy();
  expect(written()).toEqual([]);
});

test.each([
  ['us', PLAIN, 'Overlay spread on open floor, sq ft a minute', 0.09290304],
  ['metric', METRIC, 'Overlay spread on open floor, m² a minute', 1],
  ['us', PLAIN, 'Joint sealed, ft a minute', 0.3048],
] as const)('how fast one person works is written in what is counted there: %s', async (_, speaker, label, unit) => {
  await show(({ data }) => <WorkRatesView firm={firmOf(data)} />, { speaker });
  await typeIn(label, 'fast');
  expect(screen.getByRole('alert')).toBeTruthy();
  await typeIn(label, '6');
  await waitFor(() =>
    expect(Object.values(written().at(-1)!.change['settings']!['workRates' as never] as object)).toEqual([expect.closeTo((6 * unit) / 60, 9)]),
  );
  expect(written()).toHaveLength(1);
});

test('the pail and what is lifted are read in any unit, shown in the firm’s, and held to what a pail can be', async () => {
  await show(({ data }) => <FirmNumbers firm={firmOf(data)} />);
  await typeIn(/pail/i, '20 L');
  await waitFor(() => expect(control('textbox', /pail/i)).toHaveProperty('value', expect.stringMatching(/^5\.3.gal/)));
  expect(settings()!.pail_m3).toBeCloseTo(0.02, 12);
  await typeIn(/lift/i, '50');
  await waitFor(() => expect(settings()?.lift_kg).toBeCloseTo(22.6796, 3));
  const writes = written().length;
  await typeIn(/pail/i, '900 gal');
  expect(screen.getByRole('alert').textContent).toContain('264');
  expect(written()).toHaveLength(writes);
});

test('a vessel of the firm’s is kept by its volume and its marks, refused where they contradict, and taken away', async () => {
  await show(({ data }) => <VesselsView firm={firmOf(data)} />);
  expect(page()).toContain('Ordinary cups');
  await tap('Add a vessel');
  await typeIn('Name of the vessel', 'Blue jug');
  await typeIn('Holds, to the brim', '2 L');
  await typeIn('From mark to mark', '3 L');
  expect(page()).toContain('further apart than it holds');
  expect(control('button', 'Keep this vessel')).toHaveProperty('disabled', true);
  await typeIn('From mark to mark', '100 mL');
  await tap('Keep this vessel');
  const vessels = () => (settings() as unknown as { vessels?: readonly object[] }).vessels;
  await waitFor(() => expect(vessels()).toEqual([{ name: 'Blue jug', volume_m3: expect.closeTo(0.002, 9), mark_m3: expect.closeTo(1e-4, 9) }]));
  await tap('Remove Blue jug');
  await waitFor(() => expect(vessels()).toBeUndefined());
});

describe('schools', () => {
  const changes: object[] = [];
  beforeEach(() => void (changes.length = 0));
  const open = async (told: object, firm?: object): Promise<void> => {
    await show(<HouseMethodView told={told} firm={firm} onChange={(house) => changes.push(house)} />);
    await tap(/House method/);
  };
  test('a firm that answers as Tufa would has told nothing', async () => {
    await open({ riserFace: 'formed' });
    await choose(/riser face/i, /by depth/i);
    expect(changes).toEqual([{}]);
  });

  test('a firm’s own answer is kept beside its others', async () => {
    await open({ cracks: 'neat' });
    await choose(/riser face/i, /form/i);
    expect(changes).toEqual([{ cracks: 'neat', riserFace: 'formed' }]);
  });

  test('a job may say otherwise than its firm, or as its firm again, and shows which of the two holds', async () => {
    await open({ riserFace: 'formed' }, { cracks: 'neat' });
    const group = control('radiogroup', /riser face/i);
    expect(
      within(group)
        .getAllByRole('radio')
        .map((radio) => radio.getAttribute('aria-checked'))
        .filter((on) => on === 'true'),
    ).toHaveLength(1);
    await choose(/riser face/i, /^as the firm/i);
    expect(changes).toEqual([{}]);
    expect(page()).toContain('As the firm: By depth');
  });

  test('closed, a job lists only what it tells and a firm all that stands', async () => {
    await show(<HouseMethodView told={{ riserFace: 'formed' }} firm={{}} onChange={() => undefined} />);
    expect(screen.getAllByRole('listitem')).toHaveLength(1);
    const { unmount } = await show(<HouseMethodView told={{}} onChange={() => undefined} />);
    expect(screen.getAllByRole('listitem')).toHaveLength(1 + Object.keys(DEFAULT_HOUSE).length);
    unmount();
  });
});
