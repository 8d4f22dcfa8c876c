import { PLAIN, say } from '@tufa/words';
import { act, screen } from '@testing-library/react';
import { Text } from 'react-native';
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
