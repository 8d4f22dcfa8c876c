import { PLAIN } from '@tufa/words';
import { differences } from '../outbox/differences';

const typed = (value: number, text: string) => ({ value, typed: text, source: 'typed' });

test('two people’s values differ leaf by leaf, told as they were typed', () => {
  const yours = { deepest: typed(0.0381, '1 1/2 in'), shape: 'dish', edge: 'cut' };
  const theirs = { deepest: typed(0.05, '50 mm'), shape: 'pan', edge: 'cut' };
  expect(differences(PLAIN, 'properties', yours, theirs)).toEqual([
    { name: 'Deepest depth', yours: '1 1\u20442 in', theirs: '50 mm' },
    { name: 'Shape of the bottom', yours: 'Dish', theirs: 'Pan' },
  ]);
});

test.each([
  ['name', 'Upper dock', 'Lower dock', [{ name: 'Name', yours: 'Upper dock', theirs: 'Lower dock' }]],
  ['accessNote', '', 'Ring the yard', [{ name: 'Access note', yours: 'nothing', theirs: 'Ring the yard' }]],
  ['exposures', ['frost'], ['frost', 'wheels'], [{ name: 'Exposure', yours: 'frost', theirs: 'frost, wheels' }]],
  [
    'points',
    [
      [0, 0],
      [1, 0],
      [1, 1],
    ],
    [
      [0, 0],
      [1, 0],
    ],
    [{ name: 'Outline', yours: '3 corners', theirs: '2 corners' }],
  ],
  ['deepest', { value: 0.0254, source: 'assumed' }, typed(0.0254, '1 in'), [{ name: 'Deepest depth', yours: '1\u00a0in', theirs: '1 in' }]],
  ['opens', null, { to: 'foot' }, [{ name: 'Open again', yours: 'nothing', theirs: 'to' }]],
  ['name', 'same', 'same', []],
])('%s: %p against %p', (name, yours, theirs, rows) => {
  expect(differences(PLAIN, name, yours, theirs)).toEqual(rows);
});
