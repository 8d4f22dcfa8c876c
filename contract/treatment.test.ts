import { aids, catalogue } from '@tufa/core/shelf/catalogue';
import { treatmentOf } from './assemble';
import type { RowOf, TreatmentFields } from './entities';
import { FIELDS } from './schemas';
import { check } from './validate';

const sheets = [...catalogue, ...aids].map((sheet) => ({
  id: sheet.id,
  version: 1,
  changed: 1,
  removed: false,
  productId: sheet.productId,
  revision: 1,
  sheet,
}));
const data = { sheet: Object.fromEntries(sheets.map((row) => [row.id, row])) as Record<string, RowOf<'sheet'>> };
const [fill, over] = [catalogue[0]!.id, catalogue.find((sheet) => sheet.class === 'broomOverlay')!.id];
const [cure, coat] = ['curing', 'silane'].map((name) => aids.find((aid) => aid.class === name)!.id);
const id = (n: number): string => `0198a000-0000-7000-8000-${String(n).padStart(12, '0')}`;
const row = (change: Partial<TreatmentFields> = {}): TreatmentFields => ({
  jobId: id(1),
  findingId: id(2),
  sheetId: fill,
  layers: [],
  edge: null,
  bond: null,
  cure: null,
  ...change,
});

test('a treatment is planned with what its row names: an overlay, a cure, a coat', () => {
  expect(treatmentOf(data, row())).toEqual({ findingId: id(2), sheetId: fill });
  const whole = row({
    layers: [
      { code: 'overlay', sheetId: over, thickness_m: 0.003, over: 'element' },
      { code: 'coat', sheetId: coat!, thickness_m: 0 },
    ],
    cure: cure!,
  });
  expect(check(FIELDS.treatment, whole).fault).toBeNull();
  expect(treatmentOf(data, whole)).toEqual({
    findingId: id(2),
    sheetId: fill,
    overlay: { sheetId: over, thickness_m: 0.003, over: 'element' },
    aids: { cure, coat },
  });
  // A row from before it was asked what an overlay covers means the patch.
  expect(treatmentOf(data, row({ layers: [{ code: 'overlay', sheetId: over, thickness_m: 0.003 }] })).overlay).toMatchObject({ over: 'patch' });
});

test('what a row names and the shelf does not hold, or holds as something else, is left out', () => {
  const gone = row({ layers: [{ code: 'overlay', sheetId: coat!, thickness_m: 0.003 }], bond: id(9), cure: fill });
  expect(treatmentOf(data, gone)).toEqual({ findingId: id(2), sheetId: fill });
  expect(check(FIELDS.treatment, row({ layers: [{ code: 'overlay', sheetId: over, thickness_m: 0.003, over: 'roof' as never }] })).fault?.field).toMatch(
    /over$/,
  );
});

test('rates and a price stay inside what a firm could mean', () => {
  const job = FIELDS.job.extract('price_minor');
  expect([0, 125000, null].map((value) => check(job, value).fault)).toEqual([null, null, null]);
  expect(check(job, -1).fault).not.toBeNull();
  const rates = FIELDS.firm.extract('settings.rates');
  expect(check(rates, { labour_minor_h: 7000, markup: 0.5 }).fault).toBeNull();
  expect(check(rates, { workday_s: 100 }).fault?.field).toBe('workday_s');
});
