import { useEffect, useRef, type ReactNode } from 'react';
import { View } from 'react-native';

/** Two presses so close in time and place are one: a tap that is made twice, a thumb that bounces. */
const DOUBLE = { within_ms: 400, within_px: 40 } as const;

const isAgain = (before: MouseEvent, { timeStamp, clientX, clientY }: MouseEvent): boolean =>
  timeStamp - before.timeStamp < DOUBLE.within_ms && Math.hypot(clientX - before.clientX, clientY - before.clientY) < DOUBLE.within_px;

/** A screen on which the second press of a double tap does nothing: what it meets has come up where the first one logged something else. */
export function OneTap({ children }: { children: ReactNode }) {
  const box = useRef<View>(null);
  useEffect(() => {
    const element: unknown = box.current;
    if (!(element instanceof HTMLElement)) return undefined;
    let last: MouseEvent | null = null;
    const drop = (event: MouseEvent): void => {
      // A key of the keyboard is no finger.
      if (event.detail === 0) return;
      if (!last || !isAgain(last, event)) {
        last = event;
        return;
      }
      event.stopPropagation();
      event.preventDefault();
    };
    element.addEventListener('click', drop, true);
    return () => element.removeEventListener('click', drop, true);
  }, []);
  return (
    <View ref={box} className="h-full w-full flex-1">
      {children}
    </View>
  );
}
