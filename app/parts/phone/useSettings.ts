import { useSyncExternalStore } from 'react';

/** Looks of the screen: by day, in a cellar, in the sun. */
export const MODES = ['light', 'dark', 'sun'] as const;
type Mode = (typeof MODES)[number];

/** What this phone keeps for itself. */
export interface PhoneSettings {
  readonly mode: Mode;
  readonly hand: 'right' | 'left';
  /** pixels to a millimetre of this screen, once it was held against a card; null until then */
  readonly pxPerMm: number | null;
}

const KEY = 'tufa-phone';
const listeners = new Set<() => void>();

const preferred = (): Mode => (window.matchMedia?.('(prefers-color-scheme: dark)').matches ? 'dark' : 'light');

function load(): PhoneSettings {
  try {
    const kept = JSON.parse(localStorage.getItem(KEY) ?? '{}') as Partial<PhoneSettings>;
    return { mode: kept.mode ?? preferred(), hand: kept.hand ?? 'right', pxPerMm: kept.pxPerMm ?? null };
  } catch {
    return { mode: preferred(), hand: 'right', pxPerMm: null };
  }
}

let settings = load();

function show({ mode }: PhoneSettings): void {
  const { classList } = document.documentElement;
  for (const other of MODES) classList.toggle(other, other === mode);
}
show(settings);

/** What belongs to this phone and hand, not to the firm: look and thumb. */
export function setPhone(change: Partial<PhoneSettings>): void {
  settings = { ...settings, ...change };
  try {
    localStorage.setItem(KEY, JSON.stringify(settings));
  } catch {
    // Refused storage only costs the setting on the next opening.
  }
  show(settings);
  for (const listener of listeners) listener();
}

/** This phone's own settings, followed by a component. */
export const usePhone = (): PhoneSettings =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => settings,
    () => settings,
  );
