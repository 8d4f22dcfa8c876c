import { aids, catalogue } from '@tufa/core/shelf/catalogue';
import { contradictions, fromClass, fromSheet, SHEET_CLASSES, timeOf, type Sheet } from '@tufa/core/shelf';
import { anySheet, assemblePlanInput, check, emptyFirmData, FIELDS, senseOf, shelfOf, wholeShelfOf, type FirmData, type RowOf } from './index';
import { previewOfLabels, previewOfShelf, shelfFileOf, shelfRows } from './shelfFile';
import { cellsOf, LabelFault, readLabel, type LabelCells } from './sheetLabel';
import { upgradeSheet } from './upgradeSheet';

const row = (sheet: RowOf<'sheet'>['sheet'], change: Partial<RowOf<'sheet'>> = {}): RowOf<'sheet'> => ({
  id: sheet.id,
  version: 1,
  changed: 1,
  removed: false,
  productId: sheet.productId,
  revision: sheet.revision,
  sheet,
  ...change,
});
const dataOf = (rows: readonly RowOf<'sheet'>[]): FirmData => ({ ...emptyFirmData(), sheet: Object.fromEntries(rows.map((row) => [row.id, row])) });
const shipped = dataOf([...catalogue, ...aids].map((sheet) => row(sheet)));
let ids = 0;
const newId = (): string => `0198a000-bbbb-7000-8000-${String((ids += 1)).padStart(12, '0')}`;
const fine = catalogue[0]!;

test('every shipped sheet passes the schema it is guarded by and says nothing against itself', () => {
  for (const sheet of [...catalogue, ...aids]) {
    expect([sheet.name, check(anySheet, sheet).fault]).toEqual([sheet.name, null]);
    expect([sheet.name, senseOf({ productId: sheet.productId, revision: 1, sheet })]).toEqual([sheet.name, null]);
  }
});

test('a sheet that contradicts itself or names another product is refused at the edge', () => {
  const refused = (sheet: Sheet, productId = fine.productId) => senseOf({ productId, revision: 2, sheet });
  expect(refused({ ...fine, flow: { least_s: 1200, most_s: 1200 } })).toMatchObject({ field: 'sheet.finish.most_s', code: 'flowAfterFinish' });
  expect(refused(fine, newId())).toMatchObject({ field: 'sheet.productId', code: 'anotherProduct' });
  expect(check(FIELDS.sheet, { productId: fine.productId, revision: 1, sheet: { ...fine, flow: { least_s: 540 } } }).fault).toMatchObject({
    field: 'sheet.flow.most_s',
    code: 'field.any.required',
  });
});

test('a bag is read as it is written: bare numbers in the firm’s units, a file with its own', () => {
  const cells: LabelCells = {
    name: 'Bag',
    class: 'sandedRapid',
    pack: '50',
    price: '21.90',
    waterLeast: '2.9 l',
    waterMost: '0.17',
    works: '8-12',
    reference: '70',
    thinnest: '1/4',
    thickest: '4',
  };
  const label = readLabel(cells, { system: 'us' });
  expect(label.packs).toEqual([{ mass_kg: expect.closeTo(22.6796, 4), price_minor: 2190 }]);
  expect(label.water).toMatchObject({ least: expect.closeTo(2.9 / 22.6796, 5), most: 0.17 });
  expect(label.flow).toEqual({ least_s: 480, most_s: 720 });
  expect(label.reference_C).toBeCloseTo(21.11, 2);
  expect(label.thickness).toEqual({ least_m: expect.closeTo(0.00635, 6), most_m: expect.closeTo(0.1016, 6), liftMost_m: 0.05, feathers: false });
});

test.each<[string, LabelCells, string, string]>([
  ['a unit that is missing', { works: '12', reference: '21 C' }, 'works', 'unitMissing'],
  ['a pack without its unit', { pack: '20' }, 'pack', 'unitMissing'],
  ['a foreign unit', { grain: '2 pints' }, 'grain', 'unknownUnit'],
  ['times without the temperature they hold at', { works: '12 min' }, 'reference', 'referenceMissing'],
  ['a class that is none', { class: 'elastic' }, 'class', 'unknownName'],
  ['no price', { price: '' }, 'price', 'field.any.required'],
  ['parts that are no numbers', { class: 'crackResin', parts: '1:x' }, 'parts', 'unreadable'],
])('what is wrong with a label is named by its cell: %s', (_name, change, cell, code) => {
  const cells: LabelCells = { name: 'Bag', class: 'fineRapid', pack: '20 kg', price: '10', ...change };
  let fault: LabelFault | null = null;
  try {
    readLabel(cells, { system: null });
  } catch (error) {
    fault = error as LabelFault;
  }
  expect(fault).toBeInstanceOf(LabelFault);
  expect([fault!.cell, fault!.code]).toEqual([cell, code]);
});

test('the shelf as a table comes back as what its bags say, as revisions of the products it was of', () => {
  const { products, faults } = previewOfLabels({ rows: shelfRows(shipped), data: shipped, newId });
  expect(faults).toEqual([]);
  expect(products).toHaveLength(catalogue.length);
  for (const { fields, sheet } of products) {
    const back = sheet.sheet as Sheet;
    const was = catalogue.find(({ productId }) => productId === sheet.productId)!;
    expect([was.name, fields, sheet.revision]).toEqual([was.name, null, 2]);
    expect(timeOf(back.flow) / timeOf(was.flow)).toBeCloseTo(1, 3);
    expect(back.thickness).toMatchObject({ least_m: expect.closeTo(was.thickness.least_m, 4), most_m: expect.closeTo(was.thickness.most_m, 4) });
    expect(back.parts).toEqual(was.parts);
    expect(back.assumed).toContain('exposures');
    expect(back.assumed).not.toContain('flow');
  }
});

test('the shelf as a file comes back whole, and each sheet’s fault is told by its place while nothing of it is written', () => {
  const file = shelfFileOf(shipped);
  const whole = previewOfShelf({ content: JSON.stringify(file), data: emptyFirmData(), newId });
  expect(whole.faults).toEqual([]);
  const bare = (sheet: object): object => ({ ...sheet, id: '', productId: '', revision: 0 });
  expect(whole.products.map(({ sheet }) => bare(sheet.sheet))).toEqual(file.sheets.map(bare));
  expect(whole.products.every(({ fields }) => fields !== null)).toBe(true);
  const resin = catalogue.find(({ class: name }) => name === 'crackResin')!;
  const bad = [
    fine,
    { ...fine, reference_C: undefined },
    { ...resin, resin: { ...resin.resin!, byMass: [100, 150] } },
    { ...fine, flow: { least_s: 5000, most_s: 5000 } },
  ];
  expect(previewOfShelf({ content: JSON.stringify({ v: 1, sheets: bad }), data: shipped, newId }).faults).toEqual([
    expect.objectContaining({ row: 2, field: 'reference_C', code: 'field.any.required' }),
    expect.objectContaining({ row: 3, field: 'sheet.resin.byMass', code: 'partsDiffer' }),
    expect.objectContaining({ row: 4, code: 'flowAfterFinish' }),
  ]);
  expect(previewOfShelf({ content: 'no', data: shipped, newId }).faults).toEqual([expect.objectContaining({ row: 0, code: 'notJson' })]);
});

test('rows of a table that cannot be are told by row and cell', () => {
  const good: LabelCells = { name: 'Bag', class: 'fineRapid', pack: '20 kg', price: '10', works: '10 min', reference: '21 C' };
  const { products, faults } = previewOfLabels({
    rows: [good, { ...good, works: '10' }, { ...good, initial: '5 min' }, { ...good, class: 'crackResin', parts: '1:1', partsByWeight: '100:180' }],
    data: shipped,
    newId,
  });
  expect(products.map(({ fields }) => fields)).toEqual([{ name: 'Bag', class: 'fineRapid' }]);
  expect(faults.map(({ row: at, code }) => [at, code])).toEqual([
    [2, 'unitMissing'],
    [3, 'lifeAfterSet'],
    [4, 'partsDiffer'],
  ]);
});

test('the newest revision of a product is on the shelf, a removed product is not, and a later phone wins a tie', () => {
  const second = row({ ...fine, revision: 2, id: newId() }, { id: newId(), revision: 2 });
  const third = row({ ...fine, revision: 2 }, { id: newId(), revision: 2 });
  const both = dataOf([row(fine), third, second]);
  expect(shelfOf(both).map(({ id }) => id)).toEqual([third.id]);
  expect(wholeShelfOf({ ...both, product: { [fine.productId]: { id: fine.productId, version: 1, changed: 1, removed: true, name: '', class: '' } } })).toEqual(
    [],
  );
});

test('a sheet from before uses and substrates were asked reads as its class, the same object each time', () => {
  const { substrates: _s, textures: _t, intervals: _i, storage: _k, movement: _m, head_m: _h, opened_days: _o, ...rest } = fine;
  const old = { ...rest, uses: ['spall', 'overlay'] } as Sheet;
  const now = upgradeSheet(old);
  expect(now.uses).toContain('edge');
  expect(now.assumed).toContain('substrates');
  expect(upgradeSheet(old)).toBe(now);
  expect(upgradeSheet(fine)).toBe(fine);
});

test('stock of a product stands in the plan of every job that uses its sheet', () => {
  const lot = { id: newId(), version: 1, changed: 1, removed: false, productId: fine.productId, amount: 11.3, lot: null, openedOn: null, useBy: '2026-09-01' };
  const job = { id: 'j', version: 1, changed: 1, removed: false, zone: 'UTC', crew: {}, batch: {} } as unknown as RowOf<'job'>;
  const firm = { id: 'f', version: 1, changed: 1, removed: false, name: '', settings: {} } as unknown as RowOf<'firm'>;
  const data = { ...dataOf([row(fine)]), job: { j: job }, firm: { f: firm }, stockLot: { [lot.id]: lot } };
  expect(assemblePlanInput(data, 'j')!.stock).toEqual([{ sheetId: fine.id, mass_kg: 11.3, useBy: '2026-09-01' }]);
});

test('the worst of what a surface was found to be goes into the plan', () => {
  const job = { id: 'j', version: 1, changed: 1, removed: false, zone: 'UTC', crew: {}, batch: {} } as unknown as RowOf<'job'>;
  const firm = { id: 'f', version: 1, changed: 1, removed: false, name: '', settings: {} } as unknown as RowOf<'firm'>;
  const geometry = {
    outline: [
      [0, 0],
      [1, 0],
      [1, 1],
    ],
    thickness: { value: 0.1, source: 'typed' },
  };
  const element = {
    id: 'e',
    version: 1,
    changed: 1,
    removed: false,
    jobId: 'j',
    name: 'E',
    kind: 'slab',
    geometry,
    properties: { material: 'stone', texture: 'broom', colour: 'buff' },
    stops: {},
  };
  const found = (
    [
      ['pull_Pa', 2e6],
      ['pull_Pa', 1.2e6],
      ['drop_s', 5],
      ['drop_s', 40],
      ['scratch', 2],
      ['scratch', 0],
      ['moisture', 0.02],
    ] as const
  ).map(([kind, value]) => ({
    id: newId(),
    version: 1,
    changed: 1,
    removed: false,
    jobId: 'j',
    elementId: 'e',
    findingId: null,
    kind,
    value: { value, source: 'typed' },
    at: null,
    takenAt: '2026-05-01T08:00:00Z',
    subject: null,
  }));
  const data = {
    ...emptyFirmData(),
    job: { j: job },
    firm: { f: firm },
    element: { e: element },
    reading: Object.fromEntries(found.map((reading) => [reading.id, reading])),
  } as unknown as FirmData;
  expect(assemblePlanInput(data, 'j')!.elements[0]).toMatchObject({
    material: 'stone',
    texture: 'broom',
    colour: 'buff',
    surface: { pull_Pa: 1.2e6, drop_s: 40, scratch: 0, moisture: 0.02 },
  });
});

test('a copy for the bag in hand assumes what the bag does not say; its next revision only what still stands in', () => {
  const named = { id: newId(), productId: newId(), revision: 1 };
  const label = { name: 'Bag in hand', class: fine.class, packs: fine.packs, flow: { least_s: 600, most_s: 600 } };
  const copy = fromSheet({ base: fine, label, copied: true, ...named });
  expect(copy.assumed).toContain('grain_m');
  expect(copy.assumed).not.toContain('flow');
  expect(copy.milestones.initial).toBe(Math.round(1080 / 0.9));
  const next = fromSheet({ base: copy, label: { ...label, grain_m: 0.001 }, copied: false, ...named, revision: 2 });
  expect(next.assumed).toEqual(copy.assumed!.filter((name) => name !== 'grain_m'));
  for (const name of SHEET_CLASSES) expect(contradictions(fromClass({ ...named, label: { ...label, class: name, flow: undefined as never } }))).toEqual([]);
  expect(cellsOf(copy, 'us')).toMatchObject({ works: '10 min', reference: '69.8 °F' });
});
