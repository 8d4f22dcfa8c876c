import { printMoney } from '@tufa/core/quantity';
import { amountMinor, whole } from '../fix/money';

test.each([
  ['1250', 125000],
  ['1250.5', 125050],
  ['$1,250.50', 125050],
  [' 1,250,000 ', 125000000],
  ['€45', 4500],
  ['CHF 45', 4500],
  ['0', 0],
])('%s is an amount', (text, minor) => {
  expect(amountMinor(text)).toBe(minor);
});

test.each(['much', '12,50', '1.250,50', '1,25', '-5', '12.345', '1 250', '$', '99999999999'])('%s is none, or could be two', (text) => {
  expect(amountMinor(text)).toBeUndefined();
});

test('nothing typed is nothing agreed, and what is printed reads back', () => {
  expect([amountMinor(''), amountMinor('  ')]).toEqual([null, null]);
  for (const currency of ['USD', 'EUR', 'GBP', 'CHF', 'JPY'])
    for (const minor of [0, 99, 4500, 123456, 98765400]) expect([currency, amountMinor(printMoney({ minor, currency }))]).toEqual([currency, minor]);
  expect([whole(149), whole(150)]).toEqual([100, 200]);
});
