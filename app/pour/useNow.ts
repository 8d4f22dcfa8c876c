import { useEffect, useState } from 'react';
import { now } from '../parts/phone/clock';

/** The phone's time, once a second while the screen is looked at; at once when it is looked at again. */
export function useNow(running: boolean): number {
  const [at, setAt] = useState(now());
  useEffect(() => {
    const tick = (): void => setAt(now());
    tick();
    if (!running) return;
    const timer = setInterval(tick, 1000);
    document.addEventListener('visibilitychange', tick);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', tick);
    };
  }, [running]);
  return at;
}
