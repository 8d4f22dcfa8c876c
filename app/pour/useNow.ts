import { useEffect, useState } from 'react';
import type { JobView } from '../parts/job/useJob';

/** A second by the clock of a rehearsal is short. */
const TICK_MS = { real: 1000, practice: 250 } as const;

/** The time by a job's clock, once a second while the screen is looked at; at once when it is looked at again. */
export function useNow({ now, practice }: Pick<JobView, 'now' | 'practice'>, running: boolean): number {
  const [at, setAt] = useState(now());
  const tick_ms = practice ? TICK_MS.practice : TICK_MS.real;
  useEffect(() => {
    const tick = (): void => setAt(now());
    tick();
    if (!running) return;
    const timer = setInterval(tick, tick_ms);
    document.addEventListener('visibilitychange', tick);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', tick);
    };
  }, [running, now, tick_ms]);
  return at;
}
