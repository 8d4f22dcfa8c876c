import { digitsOf } from '../pour/digitsOf';
import { readTyped } from '../parts/ui/quantityText';
import { FieldProblem } from '../parts/ui/fieldProblem';
import { quantityText } from '../day/quantityText';
import { bagsText } from '../mix/bagsText';
import { needText } from '../mix/needText';
import { PLAIN } from '@tufa/words';
import { plain } from './plain';

test.each([
  [605, '10', 'min'],
  [99.2, '100', 's'],
  [0, '0', 's'],
  [-61, '1', 'past'],
])('%d s left reads %s %s', (left_s, digits, unit) => expect(digitsOf(left_s)).toEqual({ digits, unit }));

test.each([
  ['', 'Fill this in.'],
  ['4 km', 'At most 328\u2032 1\u2033. Check the unit.'],
  ['-2', 'This cannot be less than zero.'],
  ['0', 'At least 3\u20448 in. Check the unit.'],
  ['wide', 'Unit not known.'],
  ['1,200 mm', 'A comma before three digits can be read two ways'],
])('a side of %p is refused with what to do', (text, sentence) => {
  const read = () => readTyped(PLAIN, { field: 'length', text, as: 'side', limit: 'side_m' });
  expect(read).toThrow(FieldProblem);
  expect(read).toThrow(sentence);
});

test('a bare number takes the field’s own unit', () => {
  expect(readTyped(PLAIN, { field: 'length', text: '12', as: 'side', limit: 'side_m' })).toBeCloseTo(3.6576, 9);
  expect(readTyped(PLAIN, { field: 'deepest', text: '1 1/2', as: 'depth', limit: 'depth_m' })).toBeCloseTo(0.0381, 9);
  expect(() => readTyped(PLAIN, { field: 'water', text: '90 C', as: 'temperature', limit: 'water_C' })).toThrow('At most 140 °F');
});

test('quantities and bags as the trade says them', () => {
  expect(quantityText(PLAIN, 'share', 0.5)).toBe('half a bag');
  expect(quantityText(PLAIN, 'retarderDose', 0)).toBe('none');
  expect(quantityText(PLAIN, 'retarderDose', 0.5)).toBe('0.5 packets');
  expect(bagsText(PLAIN, 1.66)).toBe('1.7 bags');
  expect(bagsText(PLAIN, 12.4, true)).toBe('12');
  const quantities = (bags: number) =>
    ({ bags: { p10: bags * 0.8, p50: bags, p90: bags * 1.2 }, powder: { p10: bags * 20, p50: bags * 25, p90: bags * 30 } }) as Parameters<typeof needText>[1];
  expect(needText(PLAIN, quantities(1.9), true)).toEqual({ need: '1.9 bags', low: '1.5', high: '2.3' });
  // A little of a bag is no bag, and a resin comes in none.
  expect(Object.values(needText(PLAIN, quantities(0.04), true)).map(plain)).toEqual(['2.2 lb', '1.76 lb', '2.65 lb']);
  expect(needText(PLAIN, quantities(1.9), false).need).toBe('105\u00a0lb');
});
