import { useSyncExternalStore } from 'react';

interface InstallPrompt extends Event {
  prompt: () => Promise<void>;
}

let kept: InstallPrompt | null = null;
const listeners = new Set<() => void>();
const tell = (): void => listeners.forEach((listener) => listener());

/** The browser offers to install once, early: its offer is kept until somebody asks for it. */
export function keepInstallPrompt(): void {
  window.addEventListener('beforeinstallprompt', (event) => {
    event.preventDefault();
    kept = event as InstallPrompt;
    tell();
  });
  window.addEventListener('appinstalled', () => {
    kept = null;
    tell();
  });
}

/** Asks to install, where the browser offered; else null. */
export function useInstall(): (() => void) | null {
  const offer = useSyncExternalStore(
    (listener) => {
      listeners.add(listener);
      return () => listeners.delete(listener);
    },
    () => kept,
    () => null,
  );
  return offer ? () => void offer.prompt() : null;
}
