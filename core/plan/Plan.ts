import type { AidJudged, Ranked, Reason } from '../choose';
import type { Extended, PackCount, PortionLimit } from '../mix';
import type { Ranged } from '../quantity';
import type { Batch } from './batches/Made';
import type { ElementSurvey } from './survey/Survey';
import type { TakeOff } from './survey/TakeOff';
import type { Extra } from './orders/extrasOf';
import type { Lever, LeverCombination } from './levers/levers';
import type { Shots } from './window/shotsFor';
import type { Ticket } from './window/ticket';
import type { AidRole, OverlayInput } from './input/PlanInput';
import type { RepairStep } from './steps/RepairStep';
import type { MilestoneTime } from './window/milestones';
import type { Opening } from './window/opensOf';
import type { WindowAnswer } from './window/windowFor';

/** One layer of a repair, from the bottom up. */
export interface LayerPlan {
  readonly code: 'bond' | 'lift' | 'overlay' | 'cure' | 'coat';
  /** of the material or of the aid; null for what is mixed of no product here */
  readonly sheetId: string | null;
  readonly thickness_m: number;
}

/** One order of a product: how sure, what it costs, what may be short or left. */
export interface OrderOption {
  readonly quantile: number;
  readonly need_kg: number;
  readonly packages: readonly PackCount[];
  readonly bought_kg: number;
  readonly cost_minor: number;
  readonly chanceShort: number;
  /** left over against the median need, stock included, kg */
  readonly leftOver_kg: number;
  /** taken from the shelf first, kg */
  readonly fromStock_kg: number;
}

/** What is bought of one product for the whole job, stock first, packages rounded once. */
export interface ProductOrder {
  readonly sheetId: string;
  /** kg for all its findings */
  readonly powder: Ranged;
  readonly options: readonly OrderOption[];
  readonly chosen: OrderOption;
  readonly best: OrderOption | null;
}

/** What a finding takes of its sheet. */
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
  /** the surest order worth its price, where the firm knows what running short costs */
  readonly best: OrderOption | null;
}

/** In how many batches a layer is mixed, and why in no larger ones. */
export interface BatchesPlan {
  /** of a bag; null where no portion fits */
  readonly share: number | null;
  /** of the last batch, which is what is left: all of them together are what is needed, to the gram */
  readonly last: number | null;
  readonly largest: number | null;
  readonly count: number;
  readonly limit: PortionLimit | null;
  readonly grid: readonly { readonly share: number; readonly limit: PortionLimit | null }[];
}

/** An agent, cure or coat of a system. */
export interface AidPlan extends AidJudged {
  readonly role: AidRole;
  readonly area_m2: number;
  /** in the aid's own unit: median, and to be sure of */
  readonly amount: Ranged;
  /** how long it may wait to be covered, s; null where that does not matter */
  readonly open: { readonly least_s: number; readonly most_s: number } | null;
  /** how old the new work must be under it, s */
  readonly waits_s: number;
}

/** The layer over a fill, with a plan of its own. */
export interface OverlayPlan {
  readonly over: OverlayInput['over'];
  readonly takeOff: TakeOff;
  /** how its sheet stands to it */
  readonly judged: Ranked;
  readonly chosen: ChosenPlan;
}

/** What is bought of an aid for the whole job. */
export interface AidOrder {
  readonly aidId: string;
  readonly amount: Ranged;
  readonly packages: readonly { readonly amount: number; readonly count: number; readonly price_minor: number }[];
  readonly cost_minor: number;
}

/** A finding's system, worked out whole. */
export interface ChosenPlan {
  readonly sheetId: string;
  /** why it is not done: its sheet refuses it, or its mix is past a limit; nothing is ordered for it. Empty where it may be */
  readonly refused: readonly Reason[];
  /** the thin layer over it; null where none is chosen */
  readonly overlay: OverlayPlan | null;
  readonly aids: readonly AidPlan[];
  readonly lifts: number;
  readonly layers: readonly LayerPlan[];
  readonly quantities: Quantities;
  /** what is carried away for it, with what the plan itself cuts; null where nothing is */
  readonly debris: TakeOff['debris'];
  readonly batches: BatchesPlan;
  readonly ticket: Ticket;
  readonly window: WindowAnswer;
  /** the last batch, where it is another than the rest */
  readonly last: { readonly ticket: Ticket; readonly powder_kg: number } | null;
  /** every milestone of a lift with its P10-P90, from its own first water */
  readonly readiness: readonly MilestoneTime[];
  /** when all of it carries what is asked, a foot where nobody asks; lifts, overlay and waits counted */
  readonly opens: Opening | null;
  /** what of the weather that is known may spoil it */
  readonly weather: readonly Reason[];
  readonly levers: readonly Lever[];
  /** what two or three levers together must be, where none alone gives what is wanted */
  readonly combinations: readonly LeverCombination[];
  /** a resin that is squeezed from bottles; null for the rest */
  readonly shots: Shots | null;
  /** sheet against crew: "sheet 14 min, yours 11 (9-13), 6 batches"; null without a record */
  readonly record: RecordShown | null;
  /** water to bring for it, m3 */
  readonly water: WaterToBring | null;
  readonly slurry: SlurryPlan | null;
  /** what is done, in order, from the damage to the finish */
  readonly steps: readonly RepairStep[];
  readonly fibre: { readonly mass_kg: number; readonly volume_m3: number; readonly bags: number } | null;
  /** the same powder with stone, for each batch; null where none is asked for */
  readonly extended: Extended | null;
  /** dry sand for a crack's bed, or for the resin that fills it; null for the rest */
  readonly sand_kg: number | null;
  /** how far a wedge is thinner than its sheet allows, m; null for the rest */
  readonly thinRun_m: number | null;
}

/** The sheet's working time beside the crew's own, s. */
export interface RecordShown {
  readonly entries: number;
  readonly sheet_s: number;
  readonly yours: Ranged;
  readonly ratio: number;
  readonly Ea_J_mol: number;
}

/** Water to bring: what the slab drinks, the films that keep it damp, the mix, and rinsing between batches. */
export interface WaterToBring {
  readonly presoak_m3: number;
  readonly films_m3: number;
  readonly mix_m3: number;
  readonly rinse_m3: number;
  readonly total_m3: number;
  /** how often the soaked slab wants misting until it is covered, s */
  readonly redampEvery_s: number;
}

/** Bonding slurry for the whole finding. */
export interface SlurryPlan {
  readonly liquid_m3: number;
  readonly cement_kg: number;
  readonly latex_kg: number;
  readonly water_kg: number;
  readonly volume_m3: number;
}

/** A finding with its take-off, the shelf judged for it, and its system. */
export interface FindingPlan {
  readonly findingId: string;
  readonly elementId: string;
  readonly takeOff: TakeOff;
  /** empty while a stop stands; of what was chosen alone where no more was asked */
  readonly ranking: readonly Ranked[];
  readonly chosen: ChosenPlan | null;
}

/** A hash of the inputs of each stage: what differs says what is stale. */
export interface StageHashes {
  readonly takeOff: string;
  readonly layers: string;
  readonly quantities: string;
  readonly batches: string;
  readonly day: string;
}

/** Everything that is worked out from a job file. */
export interface Plan {
  readonly v: 1;
  readonly coreVersion: string;
  readonly elements: readonly ElementSurvey[];
  readonly findings: readonly FindingPlan[];
  /** every mix of the job in its order */
  readonly batches: readonly Batch[];
  readonly orders: readonly ProductOrder[];
  readonly aids: readonly AidOrder[];
  /** what is bought beside them: stone, sand, fibre, packets, cement, rod, tape, bottles, release */
  readonly extras: readonly Extra[];
  readonly warnings: readonly Reason[];
}
