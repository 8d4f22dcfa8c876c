import { useCallback, useState } from 'react';

const kept = new Map<string, unknown>();

/** State that outlives its screen for as long as the page does: what was looked at stands again when one comes back. Without a key it goes with its screen. */
export function useKept<S>(key: string | null, first: S): [S, (next: S) => void] {
  const [state, setState] = useState<S>(() => (key !== null && kept.has(key) ? (kept.get(key) as S) : first));
  const keep = useCallback(
    (next: S) => {
      if (key !== null) kept.set(key, next);
      setState(next);
    },
    [key],
  );
  return [state, keep];
}
