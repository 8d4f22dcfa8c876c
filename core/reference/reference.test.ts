import vectors from './vectors.json';
import { FORMULAS, missOf, type ReferenceEntry } from './index';

const entries = (vectors as unknown as ReferenceEntry[]).filter(({ formula }) => formula in FORMULAS);

test('the slice evaluates the reference formulas it needs', () => {
  expect(new Set(entries.map(({ formula }) => formula)).size).toBe(Object.keys(FORMULAS).length);
});

test.each(entries.map((entry, i) => [`${entry.formula} ${i}`, entry] as const))('%s', (_name, entry) => {
  const { computed, within } = missOf(entry);
  expect({ computed, within, wanted: entry.value }).toMatchObject({ within: true });
});
