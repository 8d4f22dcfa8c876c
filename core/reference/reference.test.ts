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

test('a refusal is compared as it stands, and a wrong value is a miss', () => {
  const rate = { formula: 'rate', tolerance: 1e-6 };
  expect(missOf({ ...rate, inputs: { temperature_C: 400, Ea_J_mol: 55e3 }, value: 'refused' }).within).toBe(true);
  expect(missOf({ ...rate, inputs: { temperature_C: 21, Ea_J_mol: 55e3 }, value: 'refused' }).within).toBe(false);
  expect(missOf({ ...rate, inputs: { temperature_C: 21, Ea_J_mol: 55e3 }, value: 1.1 }).within).toBe(false);
  expect(missOf({ formula: 'bottleMarks', tolerance: 1e-6, inputs: { shot_m3: 0.001, partsA: 1, partsB: 1 }, value: [0.0005, 0.0011] }).within).toBe(false);
});
