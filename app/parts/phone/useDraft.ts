import { useCallback } from 'react';

const key = (name: string): string => `tufa-draft ${name}`;

/** What was typed and not yet saved, kept as it is typed. */
export function useDraft<V extends object>(name: string): { draft: Partial<V> | null; keep: (values: Partial<V>) => void; clear: () => void } {
  let draft: Partial<V> | null = null;
  try {
    draft = JSON.parse(localStorage.getItem(key(name)) ?? 'null') as Partial<V> | null;
  } catch {
    draft = null;
  }
  const keep = useCallback(
    (values: Partial<V>) => {
      try {
        localStorage.setItem(key(name), JSON.stringify(values));
      } catch {
        // The form still holds it; only a closed tab would lose it.
      }
    },
    [name],
  );
  const clear = useCallback(() => localStorage.removeItem(key(name)), [name]);
  return { draft, keep, clear };
}
