import { isExtra, listedNumber, type BatchState } from '../../pour';
import type { Batch } from '../batches/Made';
import type { PouredLayer } from '../input/PlanInput';

/**
 * What is in place of each layer: of batches that run or were placed. What went hard before it was placed, or was thrown
 * away, is asked again; an extra batch serves nothing that was asked.
 *
 * @param batchOf the batch as its own plan has it; nothing where that cannot be read
 */
export function pouredOf(states: readonly BatchState[], batchOf: (state: BatchState) => Batch | null): PouredLayer[] {
  const layers = new Map<string, PouredLayer>();
  for (const state of states) {
    const lost = state.ends.some(({ kind }) => kind === 'thrown' || (kind === 'wentHard' && state.placedAt === null));
    const batch = isExtra(state.batch) ? null : batchOf(state);
    if (!batch) continue;
    // A shot is its share of the batch; a line that is full has all of it.
    const share = batch.shots && !state.full ? 1 / batch.shots.count : 1;
    for (const { id, amount } of batch.serves) {
      const before = layers.get(id);
      // A number is never used again, of what was lost either.
      const all = (lost ? 0 : state.full ? Infinity : amount * share) + (before?.amount ?? 0);
      layers.set(id, { layer: id, amount: Math.min(all, 1e6), batches: (before?.batches ?? 0) + 1, last: listedNumber(state.batch) });
    }
  }
  return [...layers.values()];
}
