import type { Batch, Chalked } from '../batches';
import { byTime, standing, type PourEvent } from './events';

/** The number on the list of what is written on a pail: 4 of 4b, 5 of 5-3. */
export const listedNumber = (written: string): string => /^\d+/.exec(written)?.[0] ?? written;

/** Whether it is one more than planned. */
export const isExtra = (written: string): boolean => /^\d+[a-z]/.test(written);

/** A batch with how many shots it is squeezed in. */
type Startable = Pick<Batch, 'number' | 'key'> & { readonly shots: { readonly count: number } | null };

/** What is written on each pail or bottle of a batch, in its order. */
export function writtenOn({ number, shots }: Startable): string[] {
  const count = shots?.count ?? 1;
  return count === 1 ? [number] : Array.from({ length: count }, (_, i) => `${number}-${i + 1}`);
}

/** Numbers that are on a label, a ticket or a pail, in the order in which they were written; also of a start that was undone. */
export const chalkedOf = (events: readonly PourEvent[]): Chalked[] =>
  events
    .filter(({ kind }) => kind === 'start' || kind === 'chalked')
    .sort(byTime)
    .map(({ batch, findingId, payload }) => ({
      number: listedNumber(batch),
      // Before there was a list, batches were counted finding by finding.
      key: payload.key ?? `${findingId}/fill/1:${listedNumber(batch)}`,
    }));

/** What was started: a number once written on a pail is never used again, also when its start was undone. */
export const startedOf = (events: readonly PourEvent[]): string[] => events.filter(({ kind }) => kind === 'start').map(({ batch }) => batch);

/** Numbers of which no more is started: the line they fill is full. */
export const fullOf = (events: readonly PourEvent[]): string[] => standing(events).flatMap(({ kind, batch }) => (kind === 'full' ? [listedNumber(batch)] : []));

/** The next of a batch to start; nothing once all of it was, or once its line is full. */
export const nextOf = (batch: Startable, started: readonly string[], full: readonly string[] = []): string | null =>
  full.includes(batch.number) ? null : (writtenOn(batch).find((written) => !started.includes(written)) ?? null);

/**
 * One more of a batch than planned: 4b, 4c and on.
 *
 * @param letter the phone's own where it has no signal, so that two phones never write the same
 */
export function extraOf(number: string, started: readonly string[], letter = ''): string {
  for (let code = 98; code <= 122; code += 1) {
    const written = `${number}${String.fromCharCode(code)}${letter}`;
    if (!started.includes(written)) return written;
  }
  return `${number}z${letter}${started.length}`;
}

/** A phone's own letter, of its device's id: two phones without signal write different extra numbers. */
export const letterOf = (device: string): string => String.fromCharCode(97 + (parseInt(device.replace(/[^0-9a-f]/gi, '').slice(-6) || '0', 16) % 26));
