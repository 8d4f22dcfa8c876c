import fc from 'fast-check';
import { contradiction, parse, print, printIn, roundTo, tradeLength, typeset, type Kind } from './index';
import { problemOf } from '../testing/problemOf';

test('parse and print round-trip to the printed denominator', () => {
  fc.assert(
    fc.property(fc.double({ min: 0.001, max: 60, noNaN: true }), fc.constantFrom(2, 4, 8, 16, 32), (length_m, denominator) => {
      const back = parse({ text: tradeLength({ length_m, denominator }), kind: 'length' });
      expect(Math.abs(back - length_m)).toBeLessThanOrEqual(0.0254 / denominator / 2 + 1e-9);
    }),
  );
});

test.each([
  ['2.55', 'length', 'm', 2.55],
  ['8\u2032 4\u2033', 'length', 'm', 2.54],
  ['1½ in', 'length', 'm', 0.0381],
  ['2,5 m', 'length', 'm', 2.5],
  ['0', 'length', undefined, 0],
  ['70°', 'temperature', 'F', 21.11],
  ['−4 C', 'temperature', 'C', -4],
  ['.5 in', 'length', 'in', 0.0127],
  ["8' 4", 'length', 'ft', 2.54],
  ['8\u2032 4 3\u204416', 'length', 'ft', 2.5448],
  ['1 h 20', 'duration', 'h', 4800],
] as const)('reads %s', (text, kind, unit, value) => {
  expect(parse({ text, kind, ...(unit ? { unit } : {}) })).toBeCloseTo(value, 2);
});

test.each([
  ['', 'length', 'unreadable'],
  ['deep', 'length', 'unknownUnit'],
  ['4 furlongs', 'length', 'unknownUnit'],
  ['4', 'length', 'unitMissing'],
  ['-2 in', 'length', 'negative'],
  ['1/0 in', 'length', 'unreadable'],
  ['3 C 2 C', 'temperature', 'unreadable'],
  ['12 mm 4', 'length', 'unitMissing'],
  ['5 kg', 'length', 'unknownUnit'],
] as const)('refuses %p as a %s: %s', (text, kind, code) => {
  expect(problemOf(() => parse({ text, kind: kind as Kind })).code).toBe(code);
});

test('a comma before exactly three digits is refused with both readings', () => {
  expect(problemOf(() => parse({ text: '1,250 mm', kind: 'length' })).figures).toMatchObject({ point: '1.250 mm', thousands: '1250 mm' });
});

test.each([
  ['volume', 0.00212, 'us', true, '2 qt 8 oz'],
  ['volume', 0.00035, 'metric', true, '350 mL'],
  ['volume', 0.0204, 'us', false, '5.4 gal'],
  ['mass', 12.5, 'us', true, '27 lb 9 oz'],
  ['mass', 0.2, 'metric', false, '200 g'],
  ['length', 0.0006, 'us', false, '0.6 mm'],
  ['length', 0.0381, 'metric', false, '38 mm'],
  ['area', 1.07, 'us', false, '12 sq ft'],
  ['duration', 45, 'us', false, '45 s'],
  ['duration', 480, 'us', false, '8 min'],
  ['duration', 7860, 'us', false, '2 h 10 min'],
  ['temperature', 31.1, 'us', false, '88 °F'],
  ['pressure', 3.5e6, 'metric', false, '3.5 MPa'],
] as const)('prints a %s of %d in %s', (kind, value, system, fine, text) => {
  const { digits, unit } = print({ kind, value, system, fine });
  expect(`${digits} ${unit}`.trim()).toBe(text);
});

test('rounding goes to the nearest step', () => {
  fc.assert(
    fc.property(
      fc.double({ min: 0, max: 1e4, noNaN: true }),
      fc.constantFrom(1, 5, 0.25),
      (value, step) => Math.abs(roundTo(value, step) - value) <= step / 2 + 1e-6,
    ),
  );
});

test('a figure told in another unit and typeset reads back as the same figure', () => {
  fc.assert(
    fc.property(fc.integer({ min: 1, max: 4000 }), fc.constantFrom('ft', 'in', 'mm', 'cm', 'm'), (sixteenths, unit) => {
      const value = (sixteenths * 0.0254) / 16;
      const back = parse({ text: typeset(printIn({ kind: 'length', value, unit })), kind: 'length' });
      // Sixteenths stay exact, metric units within half of the tenth of a millimetre they are told to.
      expect(Math.abs(back - value)).toBeLessThanOrEqual((unit === 'ft' || unit === 'in' ? 0 : 5e-5) + 1e-9);
    }),
  );
});

test.each([
  ['length', 2.55, 'ft', `8\u2032 4 3\u20448\u2033`],
  ['length', 0.0254 - 1e-5, 'in', '1 in'],
  ['volume', 0.00212, 'qt', '2 qt 7.7 oz'],
  ['volume', 0.000946352946 * 2, 'qt', '2 qt'],
  ['mass', 0.1, 'lb', '0.22046 lb'],
  ['length', 12.3471, 'm', '12.3471 m'],
  ['length', 12.3471, 'mm', '12347.1 mm'],
  ['duration', 4800, 'h', '1 h 20 min'],
  ['temperature', -4, 'F', '24.8 °F'],
  ['temperature', -4, 'C', '\u22124 °C'],
] as const)('tells a %s of %d in %s', (kind, value, unit, text) => {
  expect(typeset(printIn({ kind, value, unit }))).toBe(text);
});

test.each([
  ['8 ft 4 m', 'length', ['ft', 'm']],
  ['4 in 2 ft', 'length', ['in', 'ft']],
  ['12 kg 3 oz', 'mass', ['kg', 'oz']],
  ['70 F 3 C', 'temperature', ['F', 'C']],
  [`8' 4 1/2"`, 'length', null],
  ['1 gal 2 qt 8 oz', 'volume', null],
  ['1 d 2 h 5 min', 'duration', null],
] as const)('%s as a %s: units that do not go together %p', (text, kind, pair) => {
  expect(contradiction({ text, kind })).toEqual(pair);
});
