import { useEffect, useRef, type ReactNode } from 'react';
import { View } from 'react-native';

/** Two presses so close in time and place are one: a tap that is made twice, a thumb that bounces. */
const DOUBLE = { within_ms: 400, within_px: 40 } as const;

type Press = Pick<MouseEvent, 'timeStamp' | 'clientX' | 'clientY'>;
let last: Press | null = null;
let before: Press | null = null;

// Wherever the first press was: what it has logged changes the whole screen.
if (typeof window !== 'undefined')
  window.addEventListener(
    'click',
    ({ timeStamp, clientX, clientY }) => {
      before = last;
      last = { timeStamp, clientX, clientY };
    },
    true,
  );

const isAgain = ({ timeStamp, clientX, clientY, detail }: MouseEvent): boolean =>
  // A key of the keyboard is no finger.
  detail > 0 &&
  before !== null &&
  timeStamp - before.timeStamp < DOUBLE.within_ms &&
  Math.hypot(clientX - before.clientX, clientY - before.clientY) < DOUBLE.within_px;

/** What logs: the second press of a double tap does nothing on it, since it has come up where the first one logged something else. */
export function OneTap({ children, className = '' }: { children: ReactNode; className?: string }) {
  const box = useRef<View>(null);
  useEffect(() => {
    const element = box.current as unknown as HTMLElement | null;
    const drop = (event: MouseEvent): void => {
      if (!isAgain(event)) return;
      event.stopPropagation();
      event.preventDefault();
    };
    element?.addEventListener('click', drop, true);
    return () => element?.removeEventListener('click', drop, true);
  }, []);
  return (
    <View ref={box} className={className}>
      {children}
    </View>
  );
}
