import { useEffect, useState } from 'react';
import { now } from '../parts/phone/clock';

const KEY = 'tufa-looked';

/** Longer than this unseen and a line may have passed without a word, ms. */
const ASLEEP_MS = 5000;

/** A line a running batch reaches, on this phone's clock, ms since 1970. */
export interface LineAt {
  readonly batch: string;
  readonly placed: boolean;
  readonly at: number;
}

interface Gap {
  readonly from: number;
  readonly to: number;
}

/** Marks this moment as seen; the time unseen before it where that was long. */
function look(): Gap | null {
  const to = now();
  try {
    const from = Number(localStorage.getItem(KEY) ?? to);
    localStorage.setItem(KEY, String(to));
    return to - from < ASLEEP_MS ? null : { from, to };
  } catch {
    // Refused storage: only a closed page is then not told of.
    return null;
  }
}

/** What ran out while the phone slept, was in a pocket or the page was closed: told first on waking, until it is read. */
export function useMissed(lines: readonly LineAt[]): { missed: readonly LineAt[]; read: () => void } {
  const [gap, setGap] = useState(look);
  useEffect(() => {
    const tick = (): void => {
      if (document.visibilityState !== 'visible') return;
      const found = look();
      if (found) setGap((gap) => (gap ? { from: gap.from, to: found.to } : found));
    };
    const timer = setInterval(tick, 1000);
    document.addEventListener('visibilitychange', tick);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', tick);
    };
  }, []);
  return { missed: gap ? lines.filter(({ at }) => at > gap.from && at <= gap.to) : [], read: () => setGap(null) };
}
