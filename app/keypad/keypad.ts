import { useSyncExternalStore } from 'react';
import type { Entry } from './edit';

/** The field that the keypad serves: the one that has the focus. */
export interface Target {
  readonly input: HTMLInputElement;
  readonly label: string;
  readonly entry: Entry;
  readonly text: string;
  readonly onText: (text: string) => void;
  /** null where the work cannot go on without the figure */
  readonly onDontKnow: (() => void) | null;
  readonly onDone: (() => void) | null;
}

let target: Target | null = null;
const listeners = new Set<() => void>();

/** Serves a field, or none. */
export function serve(next: Target | null): void {
  target = next;
  for (const listener of listeners) listener();
}

let pressed = false;
let leaving: HTMLInputElement | null = null;
let late: ReturnType<typeof setTimeout> | undefined;

const settle = (): void => {
  pressed = false;
  clearTimeout(late);
  const left = leaving;
  leaving = null;
  if (left) leave(left);
};

if (typeof document !== 'undefined') {
  document.addEventListener('pointerdown', () => (pressed = true), true);
  document.addEventListener('pointercancel', settle, true);
  // After the button's own handlers, so that the press has been taken.
  window.addEventListener('click', () => setTimeout(settle));
}

/**
 * Stops serving a field that lost the focus, unless another has been served since. A field left by a press keeps its
 * keys until that press is over: were they to go at once, the button would move away from under the finger.
 */
export function leave(input: HTMLInputElement): void {
  if (target?.input !== input) return;
  if (!pressed) return serve(null);
  leaving = input;
  clearTimeout(late);
  // A press that became a scroll never ends in a click.
  late = setTimeout(settle, 600);
}

export const useKeypadTarget = (): Target | null =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => target,
    () => null,
  );

/** The next or former field of the screen, in the order it is read. */
export function moveFrom(input: HTMLInputElement, by: 1 | -1): void {
  const fields = [...document.querySelectorAll<HTMLInputElement>('input, textarea')].filter(({ disabled, offsetParent }) => !disabled && offsetParent !== null);
  const next = fields[fields.indexOf(input) + by];
  if (next) next.focus();
  else input.blur();
}

/** On a wide screen with a mouse the hardware keyboard is enough. */
export const opensKeypad = (): boolean => window.innerWidth < 1024 || window.matchMedia('(pointer: coarse)').matches;
