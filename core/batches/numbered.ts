import type { Batch } from './Batch';

/** A number that is written on a pail, a label or a ticket already, and the batch it was written for. */
export interface Chalked {
  readonly number: string;
  readonly key: string;
}

/**
 * The list with the numbers that are chalked already; what is new takes the next that nobody used, in the order of the work.
 *
 * @param chalked the first that wrote a key wins; the rest of its numbers stay used up
 */
export function numbered<B extends Batch>(list: readonly B[], chalked: readonly Chalked[]): B[] {
  if (chalked.length === 0) return [...list];
  const byKey = new Map<string, string>();
  for (const { key, number } of chalked) if (!byKey.has(key)) byKey.set(key, number);
  const used = new Set(chalked.map(({ number }) => String(parseInt(number, 10))));
  let next = 1;
  const fresh = (): string => {
    while (used.has(String(next))) next += 1;
    used.add(String(next));
    return String(next);
  };
  const numberOf = new Map(list.map(({ key, number }) => [number, byKey.get(key) ?? fresh()]));
  return list.map((batch) => ({
    ...batch,
    number: numberOf.get(batch.number)!,
    waits: batch.waits.map((wait) => ({ ...wait, on: numberOf.get(wait.on) ?? wait.on })),
  }));
}
