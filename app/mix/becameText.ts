import type { Batch } from '@tufa/core/plan';
import { listedNumber, type BatchState } from '@tufa/core/pour';
import { say, type Speaker } from '@tufa/words';

/** What became of a batch on the list, as it is said there; nothing while it waits. */
export function becameText(speaker: Speaker, { number, shots }: Batch, states: readonly BatchState[]): string | undefined {
  const of = states.filter(({ batch }) => listedNumber(batch) === number);
  if (of.some(({ running }) => running)) return say(speaker, 'pour.running');
  if (of.length === 0) return undefined;
  const [end] = of.at(-1)!.ends;
  return shots && of.length < shots.count ? say(speaker, 'mix.shots', { count: shots.count - of.length }) : say(speaker, `record.${end?.kind ?? 'finished'}`);
}
