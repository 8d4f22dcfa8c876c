import { evenBatches, largestPortion, vesselLimit, type PortionLimit } from '../../mix';
import { ceilingOf } from '../../quantity';
import { batchWindow } from '../../setting';
import { type Sheet, bagOf, resinDensity } from '../../shelf';
import type { Context } from '../input/Context';
import { kindOf } from '../kinds';
import type { BatchesPlan } from '../Plan';
import type { Shots } from './shotsFor';
import { basisFor } from './basisFor';
import type { WindowQuestion } from './WindowQuestion';

/** In how many batches a layer is mixed: the largest share of the firm's grid that vessels and clocks allow, made even. */
export function batchesOf({
  input,
  finding,
  sheet,
  need_bags,
  ask,
}: Pick<Context, 'input' | 'finding' | 'sheet'> & {
  readonly need_bags: number;
  /** the question of Day and the clocks for one share of a bag */
  readonly ask: (share: number) => WindowQuestion;
}): BatchesPlan {
  const { firm, batch } = input;
  const slack = 1 + 1e-9;
  const limitOf = (share: number): PortionLimit | null => {
    const { basis, portion } = basisFor(ask(share));
    const broken = vesselLimit(portion, { ...firm, batchMost_kg: sheet.mixing.batchMost_kg });
    if (broken) return broken;
    const window = batchWindow(basis);
    if (!window.fits) return window.placeNeeds_s > window.placeBy_s * slack ? window.placeEnding : window.finishEnding;
    return kindOf(finding).wetEdge && need_bags > share * slack && !window.wetEdge.holds ? 'wetEdge' : null;
  };
  const grid = [...firm.grid].sort((a, b) => b - a).map((share) => ({ share, limit: limitOf(share) }));
  const largest = largestPortion({ grid: firm.grid, limitOf: (share) => grid.find((tried) => tried.share === share)?.limit ?? null });
  if (batch.share !== null)
    return { share: batch.share, largest: largest.share, count: Math.max(1, ceilingOf(need_bags / batch.share)), limit: limitOf(batch.share), grid };
  if (largest.share === null) return { share: null, largest: null, count: 0, limit: largest.limit, grid };
  const even = evenBatches({ need_bags, largest: largest.share, grid: firm.grid });
  return { share: even.share, largest: largest.share, count: even.count, limit: largest.limit, grid };
}

/** A resin goes by shots: each is a batch, whatever the firm's shares of a bag are. */
export function shotBatches({ shot_m3, count, limit }: Shots, sheet: Sheet): BatchesPlan {
  const share = (shot_m3 * resinDensity(sheet)) / bagOf(sheet).mass_kg;
  return { share, largest: share, count, limit, grid: [{ share, limit: null }] };
}
