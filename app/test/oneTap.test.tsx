import { fireEvent, screen } from '@testing-library/react';
import { useState } from 'react';
import { OneTap } from '../pour/OneTap';
import { Button } from '../parts/ui/Button';
import { show } from './shown';

const told: string[] = [];

/** What a tap logs comes up in its own place as something else. */
function Placing() {
  const [placed, setPlaced] = useState(false);
  const [name, next] = placed ? ['Finished', false] : ['Placed', true];
  return <Button label={name} onPress={() => (told.push(name), setPlaced(next))} />;
}

/** A press as a browser tells it. @param at ms */
const press = (at: number, { x = 100, detail = 1 } = {}): void => {
  const event = new MouseEvent('click', { bubbles: true, cancelable: true, clientX: x, clientY: 700, detail });
  Object.defineProperty(event, 'timeStamp', { value: at });
  fireEvent(screen.getByRole('button'), event);
};

test.each([
  ['the second press of a double tap', () => press(1250), ['Placed']],
  ['a thumb that bounces three times', () => [1100, 1200, 1300].forEach((at) => press(at)), ['Placed']],
  ['a thumb that goes on tapping, once it has gone on long enough,', () => [1300, 1450].forEach((at) => press(at)), ['Placed', 'Finished']],
  ['a press later', () => press(1500), ['Placed', 'Finished']],
  ['a press elsewhere', () => press(1250, { x: 200 }), ['Placed', 'Finished']],
  ['a key', () => press(1250, { detail: 0 }), ['Placed', 'Finished']],
] as const)('%s after a press', async (_name, again, expected) => {
  told.length = 0;
  await show(
    <OneTap>
      <Placing />
    </OneTap>,
  );
  press(1000);
  again();
  expect(told).toEqual(expected);
});
