import { MILESTONES } from '@tufa/core/shelf';
import { aids, catalogue } from '@tufa/core/shelf/catalogue';
import { PLAIN, printFigure, type Speaker } from '@tufa/words';
import { linesOf } from '../shelf/linesOf';
import { plain } from './plain';

/** Told by the title, by another line, or worked with and not read by anybody. */
const NOT_LINES = 'id productId revision name class binder airShare Ea_J_mol massExponent retarderUnit opened_days bulkDensity_kg_m3 assumed'.split(' ');
const says = (value: unknown): boolean =>
  typeof value === 'object' && value !== null ? Object.keys(value).length > 0 : value !== null && value !== undefined && value !== 0;

test.each(catalogue.map((sheet) => [sheet.name, sheet] as const))(
  '%s is told whole: every line in words and units, every milestone with its time',
  (_, sheet) => {
    const lines = linesOf(PLAIN, sheet);
    for (const { label, text } of lines) expect(`${label} ${text}`).not.toMatch(/\{\{|undefined|NaN|null|\bshelf\./);
    const keys = new Set(lines.map(({ key }) => key));
    expect(Object.entries(sheet).flatMap(([key, value]) => (says(value) && !NOT_LINES.includes(key) && !keys.has(key) ? [key] : []))).toEqual([]);
    const { text = '' } = lines.find(({ key }) => key === 'milestones') ?? {};
    for (const name of MILESTONES)
      if (sheet.milestones[name] !== undefined)
        expect(text).toContain(`${printFigure(PLAIN, 'milestone', name)} ${printFigure(PLAIN, 't_s', sheet.milestones[name])}`);
  },
);

test.each(aids.map((aid) => [aid.name, aid] as const))('%s, which goes with a material, is told in the firm’s units', (_, aid) => {
  for (const { label, text } of linesOf(PLAIN, aid)) expect(`${label} ${text}`).not.toMatch(/\{\{|undefined|NaN|null|\bshelf\.|\beach L\b/);
});

test('a coverage is told for what its packs are sold by', () => {
  const latex = aids.find(({ unit, coverage_m2 }) => unit === 'm3' && coverage_m2)!;
  const covers = (speaker: Speaker) =>
    linesOf(speaker, { ...latex, coverage_m2: { least_m2: 5000, most_m2: 10000 } }).find(({ key }) => key === 'coverage_m2')?.text;
  expect(plain(covers(PLAIN))).toBe('204 sq ft to 407 sq ft for each gal');
  expect(plain(covers({ ...PLAIN, system: 'metric', currency: 'EUR' }))).toBe('5 m² to 10 m² for each L');
});

test('a retarder is told by its packets, or in grams of acid for each kg', () => {
  const [sheet] = catalogue;
  const table = [
    [0, 1],
    [0.005, 1.8],
  ] as const;
  const said = (more: object) => linesOf(PLAIN, { ...sheet!, ...more }).find(({ key }) => key === 'retarder')?.text;
  expect(said({ retarder: table, retarderUnit: 'citric' })).toBe('5 g for each kg: 1.8 times as long');
  expect(said({ retarder: [...table, [2, 2.1]].filter(([dose]) => dose !== 0.005) })).toBe('2 packets a bag: 2.1 times as long');
  expect(said({ retarder: [] })).toBe('none may be used');
});
