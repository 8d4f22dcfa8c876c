import type { Measured } from '@tufa/core/quantity';
import { now } from '../phone/clock';

/** What an instrument has read into a field: the figure as it stands there, SI, when and by what. */
export interface Taken {
  readonly value: number;
  readonly at: string;
  readonly by: string;
}

const KEY = 'tufa-taken';
/** So many are remembered, and so long: a draft may wait overnight. */
const MOST = 100;
const KEPT_MS = 36 * 3_600_000;

function all(): readonly Taken[] {
  try {
    return JSON.parse(localStorage.getItem(KEY) ?? '[]') as Taken[];
  } catch {
    return [];
  }
}

/** Remembers what was read, so that the figure keeps where it came from when its form is saved. */
export function keepTaken(reading: Taken): void {
  const fresh = all().filter(({ at }) => now() - Date.parse(at) < KEPT_MS);
  localStorage.setItem(KEY, JSON.stringify([...fresh, reading].slice(-MOST)));
}

/** What read a figure; null where a person typed it. */
export const takenOf = (value: number): Taken | null =>
  all().findLast((reading) => Math.abs(reading.value - value) <= 1e-9 * Math.max(1, Math.abs(value))) ?? null;

/** Where a figure comes from: from an instrument with when and by what, else from whoever typed it. */
export function originOf(value: number): Pick<Measured, 'source' | 'at' | 'by'> {
  const taken = takenOf(value);
  return taken ? { source: 'instrument', at: taken.at, by: taken.by } : { source: 'typed' };
}
