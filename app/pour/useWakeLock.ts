import { useEffect, useState } from 'react';

/**
 * Keeps the screen awake while a batch runs. The browser lets go whenever the screen is hidden, so it is asked for again
 * as soon as it is looked at.
 *
 * @returns whether the screen stays awake; where it does not, the screen says so
 */
export function useWakeLock(): boolean {
  const [awake, setAwake] = useState(true);
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let ended = false;
    const take = async (): Promise<void> => {
      if (document.visibilityState !== 'visible' || ended) return;
      try {
        if (!('wakeLock' in navigator)) throw new Error('not here');
        const taken = await navigator.wakeLock.request('screen');
        if (ended) return void taken.release();
        lock = taken;
        setAwake(true);
      } catch {
        setAwake(false);
      }
    };
    const look = (): void => void take();
    look();
    document.addEventListener('visibilitychange', look);
    return () => {
      ended = true;
      document.removeEventListener('visibilitychange', look);
      void lock?.release();
    };
  }, []);
  return awake;
}
