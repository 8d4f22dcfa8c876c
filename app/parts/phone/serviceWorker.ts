import { useSyncExternalStore } from 'react';
import type { Workbox } from 'workbox-window';

let workbox: Workbox | null = null;
let waiting = false;
const listeners = new Set<() => void>();

/** In production the whole application is kept on the phone; a new version waits until it is asked for. */
export function registerWorker(): void {
  if (process.env.NODE_ENV !== 'production' || !('serviceWorker' in navigator)) return;
  void import('workbox-window').then(({ Workbox: Made }) => {
    workbox = new Made('/sw.js');
    workbox.addEventListener('waiting', () => {
      waiting = true;
      for (const listener of listeners) listener();
    });
    void workbox.register();
  });
}

/** Whether a new version waits to take over. */
export const useUpdate = (): boolean =>
  useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => waiting,
    () => false,
  );

/** Lets the waiting version take over, and loads the page again. */
export function applyUpdate(): void {
  workbox?.addEventListener('controlling', () => window.location.reload());
  workbox?.messageSkipWaiting();
}
