import { evenBatches, largestPortion, MIX, vesselLimit, type PortionLimit } from '../../mix';
import { ceilingOf } from '../../quantity';
import { batchRisk, type BatchRisk } from '../../setting';
import { type Sheet, bagOf, resinDensity } from '../../shelf';
import type { Context } from '../input/Context';
import type { BatchesPlan } from '../Plan';
import type { Shots } from './shotsFor';
import { basisFor, type Portion } from './basisFor';
import { byQuestion } from './byQuestion';
import type { WindowQuestion } from './WindowQuestion';

const SLACK = 1 + 1e-9;

/** So many batches of a share, the last of them of what is left. */
const dealt = (need_bags: number, share: number): Pick<BatchesPlan, 'share' | 'count' | 'last'> => {
  const count = Math.max(1, ceilingOf(need_bags / share));
  return count === 1 ? { share: need_bags, count, last: need_bags } : { share, count, last: need_bags - (count - 1) * share };
};

/** How much a portion is, and the chance that it is lost. */
const triedOf = byQuestion((question: WindowQuestion): { readonly portion: Portion; readonly risk: BatchRisk } => {
  const { basis, portion, courses } = basisFor(question);
  return { portion, risk: batchRisk(basis, courses) };
});

/** What a portion breaks first: vessel, drill, back, pack or a clock; null where nothing does. */
export function limitOfPortion({ input: { firm }, sheet }: Pick<Context, 'input' | 'sheet'>, question: WindowQuestion): PortionLimit | null {
  const { portion, risk } = triedOf(question);
  return vesselLimit(portion, { ...firm, batchMost_kg: sheet.mixing.batchMost_kg }) ?? (risk.fits ? null : risk.binding);
}

/** Shares by weight under the smallest of the grid that are tried, the largest first: down to what a jug can measure. */
function byWeight({ sheet, under }: { sheet: Sheet; under: number }): number[] {
  const least = MIX.batchLeast_kg / bagOf(sheet).mass_kg;
  const shares: number[] = [];
  for (let share = under * MIX.byWeightStep; share > least; share *= MIX.byWeightStep) shares.push(share);
  return [...shares, least];
}

/**
 * In how many batches a layer is mixed. What is needed rules first: a layer that fits one batch is one, by weight. Else
 * the largest share of the firm's grid that vessels and clocks allow, made even, the last batch of what is left; where no
 * share of the grid is small enough, by weight.
 */
export function batchesOf({
  input,
  sheet,
  need_bags,
  limitFor,
}: Pick<Context, 'input' | 'sheet'> & {
  readonly need_bags: number;
  /** what one share of a bag breaks first, and whether another batch follows it */
  readonly limitFor: (share: number, follows: boolean) => PortionLimit | null;
}): BatchesPlan {
  const { firm, batch } = input;
  const limitOf = (share: number): PortionLimit | null => limitFor(share, need_bags > share * SLACK);
  const grid = [...firm.grid].sort((a, b) => b - a).map((share) => ({ share, limit: limitOf(Math.min(share, need_bags)) }));
  const largest = largestPortion({ grid: firm.grid, limitOf: (share) => grid.find((tried) => tried.share === share)?.limit ?? null });
  if (batch.share !== null) return { ...dealt(need_bags, batch.share), largest: largest.share, limit: limitOf(Math.min(need_bags, batch.share)), grid };
  if (largest.share !== null) {
    const { share } = evenBatches({ need_bags, largest: largest.share, grid: firm.grid });
    return { ...dealt(need_bags, share), largest: largest.share, limit: largest.limit, grid };
  }
  const small = byWeight({ sheet, under: Math.min(need_bags, ...firm.grid) }).find((share) => limitOf(share) === null);
  if (small === undefined) return { share: null, last: null, largest: null, count: 0, limit: largest.limit, grid };
  // By weight they are even.
  const count = Math.max(1, ceilingOf(need_bags / small));
  return { share: need_bags / count, last: need_bags / count, count, largest: small, limit: largest.limit, grid };
}

/** A resin goes by shots: each is a batch, whatever the firm's shares of a bag are; none where mixing alone outlasts its life. */
export function shotBatches(shots: Shots | null, sheet: Sheet): BatchesPlan {
  if (!shots) return { share: null, last: null, largest: null, count: 0, limit: 'life', grid: [] };
  const { shot_m3, count, limit } = shots;
  const share = (shot_m3 * resinDensity(sheet)) / bagOf(sheet).mass_kg;
  return { share, last: share, largest: share, count, limit, grid: [{ share, limit: null }] };
}

/** What comes ready is one batch, gunned cartridge after cartridge. */
export const readyBatches = (need_bags: number): BatchesPlan => ({ share: need_bags, last: need_bags, largest: need_bags, count: 1, limit: null, grid: [] });
