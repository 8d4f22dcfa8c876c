import fc from 'fast-check';
import {
  assumed,
  contradiction,
  inRange,
  parse,
  print,
  printIn,
  printMoney,
  taxed,
  rangedOf,
  rangedSum,
  roundTo,
  siFactor,
  sigmaOf,
  significant,
  tradeLength,
  type Kind,
  typeset,
} from './index';
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

test.each([
  ['3 cups', 'volume', 3 * 0.0002365882365],
  ['2 teaspoons', 'volume', 2 * 4.92892159375e-6],
  ['1 tbsp', 'volume', 1.478676478125e-5],
  ['1 pint', 'volume', 0.000473176473],
  ['2 quarts 8 ounces', 'volume', 2 * 0.000946352946 + 8 * 2.95735295625e-5],
  ['1.5 litres', 'volume', 0.0015],
  ['12 pounds 8 ounces', 'mass', 12.5 * 0.45359237],
  ['12 lb 8', 'mass', 12.5 * 0.45359237],
  ['90 minutes', 'duration', 5400],
  ['1 hour 20', 'duration', 4800],
  ['5000 psi', 'pressure', 5000 * 6894.757293168],
  ['35 MPa', 'pressure', 35e6],
  ['-4 C', 'temperature', -4],
  ['25 F', 'temperature', (25 - 32) / 1.8],
  ['0', 'length', 0],
  ['2,5 m', 'length', 2.5],
  ['1⁄2 in', 'length', 0.0127],
  ['4 sq ft', 'area', 4 * 0.09290304],
] as const)('reads %s as a %s', (text, kind, value) => expect(parse({ text, kind })).toBeCloseTo(value, 9));

test.each([
  ['', 'length', 'unreadable'],
  ['-2 in', 'length', 'negative'],
  ['3', 'length', 'unitMissing'],
  ['1,500 mm', 'length', 'commaUnclear'],
  ['12 furlongs', 'length', 'unknownUnit'],
  ['1/0 in', 'length', 'unreadable'],
] as const)('refuses %p as a %s: %s', (text, kind, code) => expect(problemOf(() => parse({ text, kind })).code).toBe(code));

test('a comma before three digits carries both readings', () => {
  expect(problemOf(() => parse({ text: '1,500 mm', kind: 'length' })).figures).toMatchObject({ point: '1.500 mm', thousands: '1500 mm' });
});

test('money, small rounding, units nobody knows, and the figures of a refusal', () => {
  expect(taxed({ price_minor: 99999, share: 0.053 })).toEqual({ tax_minor: 5300, total_minor: 105299 });
  expect(printMoney({ minor: 3513, currency: 'USD' })).toBe('$35.13');
  expect(printMoney({ minor: 3500, currency: 'EUR', locale: 'en-GB' })).toBe('€35');
  expect([significant(0), significant(0.01234), significant(1234, 3)]).toEqual([0, 0.012, 1230]);
  expect(problemOf(() => siFactor('length', 'ell')).figures).toEqual({ kind: 'length', unit: 'ell' });
  expect(problemOf(() => inRange({ quantity: 'x_m', value: Number.NaN })).figures).toMatchObject({ quantity: 'x_m' });
  expect(problemOf(() => inRange({ quantity: 'x_m', value: Infinity, least: 0 })).code).toBe('outOfRange');
  expect(assumed(3)).toEqual({ value: 3, source: 'assumed' });
  expect(sigmaOf(0.3)).toBeCloseTo(Math.log(1.3) / 1.645, 12);
  const { p10, p90 } = rangedOf(10, 0.2);
  expect([p10, p90]).toEqual([expect.closeTo(10 * Math.exp(-0.2563103131), 6), expect.closeTo(10 * Math.exp(0.2563103131), 6)]);
  expect(rangedSum([rangedOf(1, 0), rangedOf(2, 0)])).toEqual({ p10: 3, p50: 3, p90: 3 });
});

test.each([
  ['length', 0.0005, 'us', false, '0.5 mm'],
  ['length', 2.345, 'metric', false, '2.35 m'],
  ['area', 1.19, 'us', false, '13 sq ft'],
  ['volume', 0.0213, 'metric', false, '21 L'],
  ['volume', 0.00021, 'metric', true, '210 mL'],
  ['volume', 0.00321, 'metric', true, '3.21 L'],
  ['mass', 0.345, 'metric', false, '345 g'],
  ['mass', 23, 'metric', false, '23 kg'],
  ['mass', 23, 'us', false, '50.7 lb'],
  ['duration', 42, 'us', false, '40 s'],
  ['duration', 7320, 'us', false, '2 h'],
  ['duration', 7500, 'us', false, '2 h 5 min'],
  ['duration', 86400 * 7, 'us', false, '7 d'],
  ['temperature', 21.4, 'metric', false, '21 °C'],
  ['pressure', 3.5e6, 'us', false, '510 psi'],
  ['pressure', 3.5e6, 'metric', false, '3.5 MPa'],
  ['area', 2, 'metric', false, '2 m²'],
  ['volume', 0.0213, 'metric', false, '21 L'],
  ['temperature', 20, 'us', false, '68 °F'],
  ['length', 0.0004, 'us', false, '0.4 mm'],
  ['length', 4, 'metric', false, '4 m'],
  ['length', 0.3048 * 3, 'us', false, "3'"],
  ['area', 1.858, 'us', false, '20 sq ft'],
  ['volume', 0.000591, 'metric', false, '0.59 L'],
] as const)('prints a %s of %d, %s', (kind, value, system, fine, text) => {
  const { digits, unit } = print({ kind, value, system, fine });
  expect(`${digits} ${unit}`.trim()).toBe(text);
});

test.each([
  ['volume', 0.00212, 'us', '2 qt 8 oz'],
  ['volume', 0.000946352946 * 2, 'us', '2 qt'],
  ['volume', 0.0001, 'us', '3.5 oz'],
  ['volume', 0.0000295735, 'us', '1 oz'],
  ['mass', 12.5 * 0.45359237, 'us', '12 lb 8 oz'],
  ['mass', 12 * 0.45359237, 'us', '12 lb'],
  ['mass', 0.1, 'us', '3.5 oz'],
  ['mass', 0.0108, 'us', '0.4 oz'],
  ['mass', 0.0108, 'metric', '11 g'],
  ['volume', 0.000034, 'metric', '34 mL'],
  ['mass', 2.5, 'metric', '2.5 kg'],
  ['length', 0, 'us', '0 in'],
  ['volume', 0.0021, 'metric', '2.1 L'],
  ['mass', 0.1, 'us', '3.5 oz'],
  ['mass', 10 * 0.0283495, 'us', '10 oz'],
] as const)('a %s of %d in the vessel the crew holds, %s', (kind, value, system, text) => {
  const { digits, unit } = print({ kind, value, system, fine: true });
  expect(`${digits} ${unit}`.trim()).toBe(text);
});

test('what the crew measures by hand: half ounces, ounces, quarts; whole figures stay whole', () => {
  const shown = (value: number, system: 'us' | 'metric' = 'us'): string => Object.values(print({ kind: 'volume', value, system, fine: true })).join(' ');
  const OZ = 2.95735295625e-5;
  expect([2.5, 12, 32, 40].map((ounces) => shown(ounces * OZ))).toEqual(['2.5 oz', '12 oz', '1 qt', '1 qt 8 oz']);
  expect(shown(0.25e-3, 'metric')).toBe('250 mL');
  expect(print({ kind: 'volume', value: 0.5, system: 'us' })).toMatchObject({ unit: 'gal', digits: '132' });
});
