import type { Sheet } from '@tufa/core/shelf';
import { catalogue } from '@tufa/core/shelf/catalogue';
import { PLAIN, say, sayCoded } from '@tufa/words';
import { screen, waitFor } from '@testing-library/react';
import { ShelfIndex } from '../shelf/ShelfIndex';
import { NO_FILTER, type ShelfFilter } from '../shelf/ShelfFilter';
import { SheetEditor } from '../shelf/SheetEditor';
import { SheetScreen } from '../shelf/SheetScreen';
import { control, firmWith, page, show, tap, typeIn, written } from './shown';
import { went } from './router';

const data = firmWith([]);
const METRIC = { ...PLAIN, system: 'metric', currency: 'EUR' } as const;
const rows = Object.values(data.sheet);
const rapid = rows.find(({ sheet }) => sheet.class === 'sandedRapid')!;

describe('the index', () => {
  const index = new ShelfIndex(PLAIN, rows, new Set([rapid.productId]));
  const find = (filter: Partial<ShelfFilter>) => index.find({ ...NO_FILTER, ...filter }).map(({ sheet }) => sheet);

  test('asked nothing, lists everything', () => expect(find({})).toHaveLength(rows.length));

  test.each(catalogue.map(({ name }) => name))('%s is found by its own name first', (name) => expect(find({ text: name })[0]?.name).toBe(name));

  test('a slip of a letter still finds it', () => {
    const [word = ''] = rapid.sheet.name.split(' ').filter((part) => part.length > 5);
    const slipped = `${word.slice(0, 2)}${word.slice(3)}`.toLowerCase();
    expect(find({ text: slipped }).map(({ name }) => name)).toContain(rapid.sheet.name);
  });

  test('what is in the yard, of one class, for one use: each narrows', () => {
    expect(find({ inStock: true }).map(({ productId }) => productId)).toEqual([rapid.productId]);
    expect(new Set(find({ class: 'crackResin' }).map((sheet) => sheet.class))).toEqual(new Set(['crackResin']));
    for (const sheet of find({ use: 'crack' })) expect((sheet as Sheet).uses).toContain('crack');
  });

  test.each([0.002, 0.01, 0.05, 0.15])('at %s m only what may lie so thick', (thickness_m) => {
    const found = find({ thickness_m, use: 'spall' }) as Sheet[];
    for (const { thickness } of found) {
      expect(thickness.least_m).toBeLessThanOrEqual(thickness_m + 1e-9);
      expect(thickness.most_m).toBeGreaterThanOrEqual(thickness_m - 1e-9);
    }
  });
});

describe('a sheet', () => {
  test.each(rows.map(({ id, sheet }) => [sheet.name, id] as const))('%s is read whole, in feet and in metres', async (name, id) => {
    for (const speaker of [PLAIN, METRIC]) {
      const { unmount } = await show(<SheetScreen />, { data, speaker, at: { sheet: id, id } });
      expect(page()).toContain(name.replaceAll('\u00a0', ' '));
      expect(page()).not.toMatch(/\{\{|undefined|NaN|\bshelf\.[a-z]/);
      unmount();
    }
  });
});

describe('the bag in hand', () => {
  const open = (at: Readonly<Record<string, string>> = {}) => show(<SheetEditor />, { data, at });
  type Cell = 'name' | 'pack' | 'price' | 'waterLeast' | 'waterMost' | 'works' | 'thinnest' | 'thickest';
  const cell = (name: Cell): string => say(PLAIN, `shelf.edit.${name}`);
  const added = async (): Promise<Sheet> => {
    await waitFor(() => expect(written().some(({ kind }) => kind === 'sheet.add')).toBe(true));
    return written().find(({ kind }) => kind === 'sheet.add')!.change['sheet'] as Sheet;
  };
  const save = (): Promise<void> => tap(say(PLAIN, 'shelf.edit.save'));
  const label = { name: 'Yard mortar', pack: '50 lb', price: '18' } as const;
  const typeAll = async (texts: Partial<Record<Cell, string>>): Promise<void> => {
    for (const [name, text] of Object.entries(texts)) await typeIn(sayCoded(PLAIN, `shelf.edit.${name}`), text);
  };

  test('from its label alone is a sheet of its class, what stands in for the rest said to be assumed', async () => {
    await open();
    await tap(say(PLAIN, 'class.sandedRapid'), 'radio');
    await typeAll(label);
    await save();
    const sheet = await added();
    const { target } = written().find(({ kind }) => kind === 'sheet.add')!;
    expect([sheet.name, sheet.class, sheet.packs[0]!.price_minor]).toEqual(['Yard mortar', 'sandedRapid', 1800]);
    expect(sheet.packs[0]!.mass_kg).toBeCloseTo(22.6796, 3);
    expect(sheet.assumed?.length).toBeGreaterThan(3);
    await waitFor(() => expect(went.at(-1)).toContain(target));
  });

  test.each([
    ['no name', { ...label, name: '' }, 'name'],
    ['no pack', { ...label, pack: '' }, 'pack'],
    ['a pack without sense', { ...label, pack: 'a bag' }, 'pack'],
    ['no price', { ...label, price: '' }, 'price'],
    ['a price below nothing', { ...label, price: '-3' }, 'price'],
    ['more water at least than at most', { ...label, waterLeast: '6 qt', waterMost: '3 qt' }, 'waterLeast'],
    ['works for no time that can be read', { ...label, works: 'a while' }, 'works'],
    ['thinner at most than at least', { ...label, thinnest: '2 in', thickest: '1 in' }, 'thinnest'],
  ] as const)('%s is refused, named, and what was typed stays', async (_, texts, field) => {
    await open();
    await tap(say(PLAIN, 'class.sandedRapid'), 'radio');
    await typeAll(texts);
    await save();
    await waitFor(() => expect(screen.queryAllByRole('alert').length).toBeGreaterThan(0));
    expect(written()).toEqual([]);
    expect(control('textbox', cell(field))).toHaveProperty('value', texts[field as keyof typeof texts]);
  });

  test('a copy of a sheet is a product of its own, of its class', async () => {
    await open({ from: rapid.id });
    await typeAll(label);
    await save();
    const sheet = await added();
    const { change } = written().find(({ kind }) => kind === 'sheet.add')!;
    expect([change['revision'], sheet.class, sheet.name]).toEqual([1, 'sandedRapid', label.name]);
    expect(change['productId']).not.toBe(rapid.productId);
    expect(
      written()
        .filter(({ kind }) => kind === 'product.add')
        .map(({ target }) => target),
    ).toEqual([change['productId']]);
  });

  test('the next revision of a sheet keeps its product and counts on', async () => {
    await open({ from: rapid.id, as: 'change' });
    await typeIn(cell('price'), '21');
    await save();
    const sheet = await added();
    const { change } = written().find(({ kind }) => kind === 'sheet.add')!;
    expect([change['productId'], change['revision']]).toEqual([rapid.productId, rapid.revision + 1]);
    const { name, class: kind } = rapid.sheet;
    expect(sheet).toMatchObject({ name, class: kind, uses: (rapid.sheet as Sheet).uses });
    expect(sheet.packs[0]!.price_minor).toBe(2100);
  });

  test('a resin is asked for its parts and not for water', async () => {
    await open();
    await tap(say(PLAIN, 'class.crackResin'), 'radio');
    control('textbox', say(PLAIN, 'shelf.edit.parts'));
    expect(() => control('textbox', cell('waterLeast'))).toThrow(/^0 of/);
  });

  test('what is typed in another unit is the same bag', async () => {
    await open();
    await tap(say(PLAIN, 'class.sandedRapid'), 'radio');
    await typeAll({ ...label, pack: '25 kg' });
    await save();
    expect((await added()).packs[0]!.mass_kg).toBeCloseTo(25, 6);
  });
});
