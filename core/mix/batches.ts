import { ceilingOf } from '../quantity';

/** How many batches of which share. */
export interface Batches {
  readonly share: number;
  readonly count: number;
}

/**
 * Even batches beat a small last one: of the shares no larger than the largest that fits, the smallest that needs no
 * more batches.
 *
 * @param need_bags what is to be mixed, in bags
 */
export function evenBatches({ need_bags, largest, grid }: { need_bags: number; largest: number; grid: readonly number[] }): Batches {
  const count = Math.max(1, ceilingOf(need_bags / largest));
  const share = Math.min(...grid.filter((mark) => mark <= largest * (1 + 1e-9) && Math.max(1, ceilingOf(need_bags / mark)) === count));
  return { share, count };
}
