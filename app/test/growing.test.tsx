import { PLAIN, say } from '@tufa/words';
import { act, screen } from '@testing-library/react';
import { useState } from 'react';
import { Text, View } from 'react-native';
import { Button } from '../parts/ui/Button';
import { Growing } from '../parts/ui/Growing';
import { page, show, tap } from './shown';

const rows = Array.from({ length: 100 }, (_, i) => ({ id: `row ${i}` }));
const lines = (): number => screen.queryAllByText(/^row \d+$/).length;
const list = (some: readonly { id: string }[], first?: { id: string }) => (
  <Growing rows={some} first={first}>
    {({ id }) => <Text>{id}</Text>}
  </Growing>
);

test('a long list draws what a screen holds and tells how many more there are, which come when they are asked for', async () => {
  await show(list(rows));
  const first = lines();
  expect(first).toBeLessThan(20);
  await tap(say(PLAIN, 'jobs.more', { count: rows.length - first }));
  expect(lines()).toBeGreaterThan(first);
  for (let left = rows.length - lines(); left > 0; left = rows.length - lines()) await tap(say(PLAIN, 'jobs.more', { count: left }));
  expect(page()).not.toMatch(/more/);
});

test('the line that stands for where one is stands among the first, once', async () => {
  await show(list(rows, rows[77]));
  expect(screen.getAllByText('row 77')).toHaveLength(1);
  await show(list(rows.slice(0, 5), rows[2]));
  expect(lines()).toBeGreaterThanOrEqual(5);
  expect(screen.getAllByText('row 2').length).toBeGreaterThan(0);
});

test('paper has all of it', async () => {
  await show(list(rows));
  act(() => void window.dispatchEvent(new Event('beforeprint')));
  expect(lines()).toBe(rows.length);
});

test('of nothing there is no list', async () => {
  await show(list([]));
  expect(screen.queryByRole('list')).toBeNull();
});

test('what follows the first lines is drawn as it is in the end, each line once, whatever has changed places', async () => {
  const drawn: string[] = [];
  const some = (ids: readonly number[], word: string) => (
    <Growing rows={ids.map((n) => ({ id: `row ${n}`, word }))} atOnce={3}>
      {({ id, word: said }) => (drawn.push(`${id} ${said}`), (<Text>{`${id} ${said}`}</Text>))}
    </Growing>
  );
  const Changing = () => {
    const [changed, setChanged] = useState(false);
    return (
      <View>
        <Button label="change" onPress={() => setChanged(true)} />
        {changed ? some([6, 0, 1, 2, 8], 'after') : some([0, 1, 2, 3, 4, 5, 6], 'before')}
      </View>
    );
  };
  await show(<Changing />);
  drawn.length = 0;
  await tap('change');
  // The first three came at once, beside what was there.
  expect(drawn.slice(0, 3)).toEqual(['row 6 after', 'row 0 after', 'row 1 after']);
  expect(drawn.slice(3, 6)).toEqual(['row 3 before', 'row 4 before', 'row 5 before']);
  expect(screen.queryAllByText(/^row \d after$/).map(({ textContent }) => textContent)).toEqual([6, 0, 1, 2, 8].map((n) => `row ${n} after`));
  expect(screen.queryAllByText(/before$/)).toHaveLength(0);
});
