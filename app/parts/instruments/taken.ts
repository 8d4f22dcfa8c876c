import type { InstrumentKind } from '@tufa/contract/instruments';
import type { Measured } from '@tufa/core/quantity';
import type { Typed } from '../../keypad/entries';
import { now } from '../phone/clock';

/** What an instrument has read into a field: the figure as it stands there, SI, when and by what. */
export interface Taken {
  readonly kind: InstrumentKind;
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

/** Which instrument reads what is typed; a field that none reads has none. */
export const READS: Readonly<Partial<Record<Typed | 'moisture', InstrumentKind>>> = {
  depth: 'depthGauge',
  side: 'laserDistance',
  temperature: 'thermometer',
  mass: 'scale',
  moisture: 'moistureMeter',
};

/** What read a figure of a kind of field; null where a person typed it. */
export const takenOf = (value: number, as: Typed | 'moisture'): Taken | null =>
  all().findLast((reading) => reading.kind === READS[as] && Math.abs(reading.value - value) <= 1e-9 * Math.max(1, Math.abs(value))) ?? null;

/** Where a figure comes from: from an instrument with when and by what, else from whoever typed it. */
export function originOf(value: number, as: Typed | 'moisture'): Pick<Measured, 'source' | 'at' | 'by'> {
  const taken = takenOf(value, as);
  return taken ? { source: 'instrument', at: taken.at, by: taken.by } : { source: 'typed' };
}
