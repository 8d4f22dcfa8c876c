import { treatmentOf } from '@tufa/contract/assemble';
import type { RowOf } from '@tufa/contract/entities';
import type { TreatmentInput } from '@tufa/core/plan';
import { aids, catalogue } from '@tufa/core/shelf/catalogue';
import { namedBy, swapped } from '../fix/namedBy';
import { poursTomorrow } from '../fix/poursTomorrow';
import { treatmentFields } from '../fix/writeTreatment';

const rows = [...catalogue, ...aids].map((sheet) => ({ id: sheet.id, version: 1, changed: 1, removed: false, productId: sheet.productId, revision: 1, sheet }));
const data = { sheet: Object.fromEntries(rows.map((row) => [row.id, row])) as Record<string, RowOf<'sheet'>> };
const aid = (name: string): string => aids.find((aid) => aid.class === name)!.id;
const [fill, other, over] = [catalogue[0]!.id, catalogue[1]!.id, catalogue.find((sheet) => sheet.class === 'broomOverlay')!.id];
const row = (treatment: TreatmentInput) => ({ jobId: 'j', findingId: treatment.findingId, edge: null, ...treatmentFields(treatment) });

const TREATMENTS: readonly TreatmentInput[] = [
  { findingId: 'f', sheetId: fill },
  { findingId: 'f', sheetId: fill, overlay: { sheetId: over, thickness_m: 0.003, over: 'patch' } },
  { findingId: 'f', sheetId: fill, aids: { bond: aid('latex'), cure: aid('curing'), coat: aid('silane') } },
  { findingId: 'f', sheetId: fill, overlay: { sheetId: over, thickness_m: 0.005, over: 'element' }, aids: { coat: aid('sealer') } },
];

test.each(TREATMENTS.map((treatment) => [Object.keys(treatment).join(', '), treatment] as const))(
  'a treatment of %s is planned as it was written',
  (_, treatment) => {
    expect(treatmentOf(data, row(treatment))).toEqual(treatment);
  },
);

test('nothing chosen any more leaves nothing behind', () => {
  expect(treatmentFields({ findingId: 'f', sheetId: fill, aids: {} })).toEqual({ sheetId: fill, layers: [], bond: null, cure: null });
});

test('a newer sheet takes the place of the old one wherever it stands, and of nothing else', () => {
  const whole = TREATMENTS[3]!;
  expect(namedBy(whole)).toEqual([fill, over, aid('sealer')]);
  expect(namedBy(TREATMENTS[2]!)).toEqual([fill, aid('latex'), aid('curing'), aid('silane')]);
  expect(swapped(whole, over, other)).toEqual({ ...whole, overlay: { ...whole.overlay, sheetId: other } });
  expect(swapped(whole, aid('sealer'), 'x')).toEqual({ ...whole, aids: { coat: 'x' } });
  expect(swapped(whole, fill, other)).toEqual({ ...whole, sheetId: other });
  expect(swapped({ findingId: 'f', sheetId: fill, overlay: { sheetId: fill, thickness_m: 0.003, over: 'patch' } }, fill, other)).toMatchObject({
    sheetId: other,
    overlay: { sheetId: other },
  });
  expect(swapped(whole, 'nobody', other)).toEqual(whole);
});

describe('tomorrow is the place’s own', () => {
  beforeEach(() => jest.useFakeTimers());
  afterEach(() => jest.useRealTimers());
  test.each([
    // Half past two at night in Greenwich is still yesterday evening in New York.
    ['2026-05-13T02:30:00Z', 'America/New_York', '2026-05-13T09:00', true],
    ['2026-05-13T02:30:00Z', 'America/New_York', '2026-05-14T09:00', false],
    ['2026-05-13T02:30:00Z', 'Europe/London', '2026-05-14T09:00', true],
    ['2026-05-13T15:30:00Z', 'Pacific/Auckland', '2026-05-15T09:00', true],
    ['2026-05-12T12:00:00Z', 'America/New_York', '2026-05-12T13:00', false],
    ['2026-12-31T12:00:00Z', 'America/New_York', '2027-01-01T08:00', true],
  ])('at %s in %s a pour on %s: %s', (at, zone, pourOn, is) => {
    jest.setSystemTime(new Date(at));
    expect(poursTomorrow({ pourOn, zone })).toBe(is);
  });
  test('a job without a day pours on none', () => expect(poursTomorrow({ pourOn: null, zone: 'Europe/London' })).toBe(false));
});
