import { useEffect, useRef } from 'react';
import type { Text, View } from 'react-native';

let wanted = false;

/** After navigation the focus belongs on the new screen's answer, whenever its chunk has come. */
export function wantFocus(): void {
  wanted = true;
}

/** For the heading of a screen: takes the focus once if a navigation is waiting for it. */
export function useAnswerFocus() {
  const ref = useRef<Text & View>(null);
  useEffect(() => {
    if (!wanted) return;
    wanted = false;
    (ref.current as unknown as HTMLElement | null)?.focus({ preventScroll: true });
  }, []);
  return ref;
}
