/** @jest-environment jsdom */
import { parse } from '@tufa/core/quantity';
import { PLAIN } from '@tufa/words';
import fc from 'fast-check';
import { markOf, rulerOf, toldIn, withDigit, withMark, withoutLast, withUnit } from '../keypad/edit';
import { entryFor } from '../keypad/entries';

const METRIC = { ...PLAIN, system: 'metric', currency: 'EUR' } as const;

/** Keys pressed one after the other: a digit, a unit in words, a mark as a number on the strip. */
const press = (as: Parameters<typeof entryFor>[1], ...keys: readonly (string | number)[]): string =>
  keys.reduce<string>((text, key) => {
    const entry = entryFor(PLAIN, as);
    if (typeof key === 'number') return withMark(text, key, rulerOf(PLAIN, text, entry) ?? 'in', entry);
    return /^[\d.]$/.test(key) ? withDigit(text, key) : key === 'back' ? withoutLast(text) : withUnit(text, key, entry).text;
  }, '');

test.each([
  ['side', ['8', 'ft', '4', 'in'], '8\u2032 4\u2033'],
  ['side', ['8', 'ft', '4', 3], '8\u2032 4 3\u204416\u2033'],
  ['depth', ['1', 8], '1 1\u20442 in'],
  ['depth', [3], '3\u204416 in'],
  ['depth', ['3', '8', 'mm', 'in'], '1 1\u20442 in'],
  ['side', ['2', '.', '5', 'm', 7], '2.507 m'],
  ['side', ['1', '2', 'ft', 'back', 'back'], '1'],
  ['side', ['1', '2', '.', '3', '4', 'm', 7], '12.347 m'],
  ['temperature', ['8', '8', 'F', 'C'], '31.11 °C'],
  ['opens', ['9', '0', 'min', 'h'], '1 h 30 min'],
] as const)('%s: %p writes %s', (as, keys, text) => {
  expect(press(as, ...keys)).toBe(text);
});

test('a unit that contradicts what stands changes nothing and names both', () => {
  expect(withUnit('8\u2032 4', 'm', entryFor(PLAIN, 'side'))).toEqual({ text: '8\u2032 4', clash: ['ft', 'm'] });
  expect(withUnit('4\u2033 2', 'ft', entryFor(PLAIN, 'side'))).toEqual({ text: '4\u2033 2', clash: ['in', 'ft'] });
});

test('the strip shows the sixteenth that stands, and sets it without moving the whole inches', () => {
  fc.assert(
    fc.property(fc.integer({ min: 0, max: 200 }), fc.integer({ min: 0, max: 15 }), fc.integer({ min: 0, max: 15 }), (inches, first, second) => {
      const entry = entryFor(PLAIN, 'depth');
      const start = withMark(String(inches), first, 'in', entry);
      const text = withMark(start, second, 'in', entry);
      expect(markOf(text, 'in', entry)).toBe(second);
      expect(parse({ text, kind: 'length' })).toBeCloseTo((inches + second / 16) * 0.0254, 9);
    }),
  );
});

test('a metric entry takes the millimetre strip, a temperature none; nothing readable is told in no unit', () => {
  expect(rulerOf(PLAIN, '38 mm', entryFor(PLAIN, 'depth'))).toBe('mm');
  expect(rulerOf(METRIC, '', entryFor(METRIC, 'side'))).toBe('mm');
  expect(rulerOf(METRIC, '', entryFor(METRIC, 'temperature'))).toBeNull();
  expect(toldIn('about', 'mm', entryFor(PLAIN, 'depth'))).toBeNull();
});
