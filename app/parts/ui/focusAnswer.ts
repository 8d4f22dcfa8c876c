import { useEffect, useRef } from 'react';
import type { Text, View } from 'react-native';

let wanted = false;

/** After navigation the focus belongs on the new screen's answer, whenever its chunk has come. */
export function wantFocus(): void {
  wanted = true;
}

/** For the heading of a screen: takes the focus once if a navigation is waiting for it. One that only stands for another while that is read leaves it. */
export function useAnswerFocus(passing = false) {
  const ref = useRef<Text & View>(null);
  useEffect(() => {
    if (!wanted || passing) return;
    wanted = false;
    (ref.current as unknown as HTMLElement | null)?.focus({ preventScroll: true });
  }, [passing]);
  return ref;
}
