import { useSyncExternalStore } from 'react';
import type { Entry } from './edit';
import type { Typed } from './entries';

/** The field that the keypad serves: the one that has the focus. */
export interface Target {
  readonly input: HTMLInputElement;
  readonly label: string;
  readonly entry: Entry;
  /** what it is, by where it stands */
  readonly as: Typed;
  readonly text: string;
  readonly onText: (text: string) => void;
  /** null where the work cannot go on without the figure */
  readonly onDontKnow: (() => void) | null;
  /** what *done* does beyond closing the keys */
  readonly onDone: (() => void) | null;
}

let target: Target | null = null;
const listeners = new Set<() => void>();

/** Serves a field, or none. */
export function serve(next: Target | null): void {
  target = next;
  for (const listener of listeners) listener();
}

/** The field that the keypad serves now. */
export const served = (): Target | null => target;

const subscribe = (listener: () => void): (() => void) => {
  listeners.add(listener);
  return () => listeners.delete(listener);
};

/** The same, followed by a component. */
export const useKeypadTarget = (): Target | null => useSyncExternalStore(subscribe, served, served);
