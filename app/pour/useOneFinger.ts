import { useEffect, type RefObject } from 'react';
import type { View } from 'react-native';

/**
 * Presses made while more than one finger is down do nothing: drops and a wet sleeve press in several places at once, a
 * thumb does not. The press that ends such a touch is dropped too.
 */
export function useOneFinger(box: RefObject<View | null>): void {
  useEffect(() => {
    const element = box.current as unknown as HTMLElement | null;
    if (!element) return;
    const down = new Set<number>();
    let several = false;
    let over_ms = -Infinity;
    const press = ({ pointerId, pointerType }: PointerEvent): void => {
      if (pointerType !== 'touch') return;
      down.add(pointerId);
      if (down.size > 1) several = true;
    };
    const lift = ({ pointerId, timeStamp }: PointerEvent): void => {
      down.delete(pointerId);
      if (down.size > 0 || !several) return;
      several = false;
      over_ms = timeStamp;
    };
    const drop = (event: MouseEvent): void => {
      // A key of the keyboard is no finger.
      if (event.detail === 0 || (!several && event.timeStamp - over_ms > 80)) return;
      event.stopPropagation();
      event.preventDefault();
    };
    element.addEventListener('pointerdown', press, true);
    window.addEventListener('pointerup', lift, true);
    window.addEventListener('pointercancel', lift, true);
    element.addEventListener('click', drop, true);
    return () => {
      element.removeEventListener('pointerdown', press, true);
      window.removeEventListener('pointerup', lift, true);
      window.removeEventListener('pointercancel', lift, true);
      element.removeEventListener('click', drop, true);
    };
  });
}
