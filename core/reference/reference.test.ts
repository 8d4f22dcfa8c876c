import vectors from './vectors.json';
import { FORMULAS, missOf, type ReferenceEntry } from './index';

const entries = vectors as unknown as ReferenceEntry[];

test('every formula of the reference file is evaluated, and no other is offered', () => {
  expect([...new Set(entries.map(({ formula }) => formula))].sort()).toEqual(Object.keys(FORMULAS).sort());
});

test.each(entries.map((entry, i) => [`${entry.formula} ${i}`, entry] as const))('%s', (_name, entry) => {
  const { computed, within } = missOf(entry);
  expect({ computed, within, wanted: entry.value }).toMatchObject({ within: true });
});
