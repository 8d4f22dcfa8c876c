import type { Ranked, Reason } from '../choose';
import type { PackCount, PortionLimit } from '../mix';
import type { Ranged } from '../quantity';
import type { Verdict } from '../survey';
import type { Lever } from './levers';
import type { Ticket } from './ticket';
import type { WindowAnswer } from './windowFor';

export interface TakeOff {
  readonly area_m2: number;
  readonly perimeter_m: number;
  readonly deepest_m: number;
  readonly mean_m: number;
  /** m3 */
  readonly volume: Ranged;
}

/** One layer of a repair, from the bottom up. */
export interface LayerPlan {
  readonly code: 'bond' | 'lift';
  readonly sheetId: string | null;
  readonly thickness_m: number;
}

export interface OrderOption {
  readonly quantile: number;
  readonly need_kg: number;
  readonly packages: readonly PackCount[];
  readonly bought_kg: number;
  readonly cost_minor: number;
  readonly chanceShort: number;
  /** left over against the median need, kg */
  readonly leftOver_kg: number;
}

export interface Quantities {
  readonly waterRatio: number;
  readonly yield_m3_kg: number;
  /** powder to mix, kg */
  readonly powder: Ranged;
  readonly bag_kg: number;
  /** the same in bags */
  readonly bags: Ranged;
  readonly options: readonly OrderOption[];
  readonly chosen: OrderOption;
}

export interface BatchesPlan {
  /** null where no portion fits */
  readonly share: number | null;
  readonly largest: number | null;
  readonly count: number;
  readonly limit: PortionLimit | null;
  readonly grid: readonly { readonly share: number; readonly limit: PortionLimit | null }[];
}

export interface ChosenPlan {
  readonly sheetId: string;
  readonly lifts: number;
  readonly layers: readonly LayerPlan[];
  readonly quantities: Quantities;
  readonly batches: BatchesPlan;
  readonly ticket: Ticket;
  readonly window: WindowAnswer;
  readonly levers: readonly Lever[];
}

export interface FindingPlan {
  readonly findingId: string;
  readonly elementId: string;
  readonly takeOff: TakeOff;
  /** empty while a stop stands */
  readonly ranking: readonly Ranked[];
  readonly chosen: ChosenPlan | null;
}

export interface StageHashes {
  readonly takeOff: string;
  readonly layers: string;
  readonly quantities: string;
  readonly batches: string;
  readonly day: string;
}

export interface Plan {
  readonly v: 1;
  readonly coreVersion: string;
  readonly hashes: StageHashes;
  readonly elements: readonly {
    readonly elementId: string;
    readonly area_m2: number;
    readonly verdict: Verdict;
    readonly bad_m2: number;
    readonly volume: Ranged | null;
  }[];
  readonly findings: readonly FindingPlan[];
  readonly warnings: readonly Reason[];
}
