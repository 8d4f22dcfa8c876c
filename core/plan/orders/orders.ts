import {
  MIX,
  type StockLot,
  bestQuantile,
  chanceShort,
  combinedSd,
  costOf,
  fromStock,
  massOf,
  orderQuantile,
  packagesLeastCost,
  quantileOf,
  textureOf,
} from '../../mix';
import { bondOf, CHOOSE, houseOf, profileReached, type HouseMethod } from '../../choose';
import { RANGE, type Ranged, rangedSum } from '../../quantity';
import { type Sheet, bagOf } from '../../shelf';
import type { Context } from '../input/Context';
import type { OrderOption, ProductOrder, Quantities } from '../Plan';
import type { TakeOff } from '../survey/TakeOff';
import type { PlanInput, StockInput } from '../input/PlanInput';
import { dayOfWork } from '../input/site';
import { kindOf } from '../kinds';
import { leftHigh } from '../steps/leftHigh';
import { taskOf } from '../steps/taskOf';
import { stoneFor, waterRatioOf, yieldOf } from './mixOf';
import { knownSheet } from '../input/sheetOf';

/** How sure an order can be asked to be. */
const ORDER_QUANTILES = [0.5, 0.8, 0.95] as const;

interface OrderRequest {
  readonly sheet: Sheet;
  readonly need_kg: number;
  readonly quantile: number;
  readonly median_kg: number;
  readonly sigma: number;
  readonly lots?: readonly StockLot[];
  readonly on?: string | undefined;
}

/** What is bought for a need, stock first. */
function orderOf({ sheet, need_kg, quantile, median_kg, sigma, lots = [], on }: OrderRequest): OrderOption {
  const { used_kg, buy_kg } = fromStock({ need_kg, lots, ...(on ? { on } : {}) });
  const packages = packagesLeastCost({ need_kg: buy_kg, packs: sheet.packs });
  const bought_kg = massOf(packages);
  return {
    quantile,
    need_kg,
    packages,
    bought_kg,
    fromStock_kg: used_kg,
    cost_minor: costOf(packages),
    chanceShort: chanceShort({ median_kg, bought_kg: bought_kg + used_kg, sdLn: sigma }),
    leftOver_kg: Math.max(0, bought_kg + used_kg - median_kg),
  };
}

/** The quantile at which an order is worth its price, where the firm knows what running short costs. */
const bestOf = ({ firm }: PlanInput, sheet: Sheet): number | null =>
  firm.shortCost_minor === undefined
    ? null
    : Math.min(0.99, Math.max(0.01, bestQuantile({ short_minor: firm.shortCost_minor, leftOver_minor: Math.max(1, bagOf(sheet).price_minor) })));

/** What of a sheet's product lies at the yard. */
export const lotsOf = ({ stock = NO_STOCK }: PlanInput, sheetId: string): readonly StockInput[] =>
  stock.length === 0 ? stock : stock.filter((lot) => lot.sheetId === sheetId);

const NO_STOCK: readonly StockInput[] = [];

/**
 * What is bought of each product for all its findings at once, so that packages are rounded once. One crew's errors go
 * together: quantiles are added, not variances.
 */
export function ordersOf(input: PlanInput, chosen: readonly { readonly sheetId: string; readonly quantities: Quantities }[]): ProductOrder[] {
  return [...new Set(chosen.map(({ sheetId }) => sheetId))].map((sheetId) => {
    const sheet = knownSheet(input, sheetId);
    const parts = chosen.filter((part) => part.sheetId === sheetId).map(({ quantities }) => quantities);
    const powder = rangedSum(parts.map(({ powder: part }) => part));
    const sigma = Math.log(powder.p90 / powder.p50) / RANGE.z10;
    const need = (quantile: number): number =>
      parts.reduce((sum, { powder: { p50, p90 } }) => sum + quantileOf({ p50, sigma: Math.log(p90 / p50) / RANGE.z10, quantile }), 0);
    const lots = lotsOf(input, sheetId);
    const on = dayOfWork(input);
    const option = (quantile: number): OrderOption => orderOf({ sheet, need_kg: need(quantile), quantile, median_kg: powder.p50, sigma, lots, on });
    const best = bestOf(input, sheet);
    return { sheetId, powder, options: ORDER_QUANTILES.map(option), chosen: option(input.firm.orderQuantile), best: best === null ? null : option(best) };
  });
}

/** A patch stands a millimetre high and is ground flush. What is laid, formed or pressed in under water is finished as it stands. */
export const standsHigh = (context: Pick<Context, 'input' | 'finding' | 'sheet'>): boolean => kindOf(context.finding).groundFlush && leftHigh(context);

const crownVolume = (needed: Needed): number => (standsHigh(needed) ? needed.takeOff.area_m2 * CHOOSE.crown_m : 0);

/** A scrub coat is mixed of the mortar itself, and is part of its need. */
const scrubVolume = (house: HouseMethod, { area_m2, length_m }: TakeOff, sheet: Sheet): number =>
  bondOf(house, sheet) === 'scrub' && length_m === null ? area_m2 * MIX.slurryLayer_m : 0;

/** What must be bought at each quantile, kg: the volume with its texture, crown and scrub coat, over the yield, and waste. */
export function needOf({ input, element, finding, takeOff, sheet }: Needed): { yield_m3_kg: number; sigmas: number[]; at: (quantile: number) => number } {
  const { firm } = input;
  const house = houseOf(input.house);
  const yield_m3_kg = yieldOf(sheet, taskOf({ input, element, finding, sheet, takeOff }), stoneFor({ input, sheet, takeOff }));
  const texture_m3 = takeOff.rough_m2 * textureOf(Math.max(1, profileReached(house, sheet)));
  const nominal =
    (takeOff.volume.p50 + texture_m3 + crownVolume({ input, element, finding, takeOff, sheet }) + scrubVolume(house, takeOff, sheet)) / yield_m3_kg;
  const sigmas = [takeOff.sigma, MIX.sdYield, MIX.sdWaste];
  return { yield_m3_kg, sigmas, at: (quantile) => orderQuantile({ nominal, medianWaste: firm.medianWaste, sigma_log: sigmas, quantile }) };
}

type Needed = Pick<Context, 'input' | 'element' | 'finding' | 'takeOff' | 'sheet'>;

/** What is bought of one product for a finding at the firm's own quantile, kg, and what it costs, minor units. */
export function materialNeed(context: Needed): { need_kg: number; cost_minor: number } {
  const need_kg = needOf(context).at(context.input.firm.orderQuantile);
  return { need_kg, cost_minor: costOf(packagesLeastCost({ need_kg, packs: context.sheet.packs })) };
}

/** Powder, packages, cost and the chance of running short; the texture the layer must fill is part of the need. */
export function quantitiesOf(context: Needed): Quantities {
  const { input, sheet } = context;
  const { firm } = input;
  const { yield_m3_kg, sigmas, at } = needOf(context);
  const powder: Ranged = { p10: at(0.1), p50: at(0.5), p90: at(0.9) };
  const option = (quantile: number): OrderOption => orderOf({ sheet, need_kg: at(quantile), quantile, median_kg: powder.p50, sigma: combinedSd(sigmas) });
  const { mass_kg: bag_kg } = bagOf(sheet);
  const best = bestOf(input, sheet);
  return {
    waterRatio: sheet.water ? waterRatioOf(sheet, taskOf(context)) : 0,
    yield_m3_kg,
    powder,
    bag_kg,
    bags: { p10: powder.p10 / bag_kg, p50: powder.p50 / bag_kg, p90: powder.p90 / bag_kg },
    options: ORDER_QUANTILES.map(option),
    chosen: option(firm.orderQuantile),
    best: best === null ? null : option(best),
  };
}
