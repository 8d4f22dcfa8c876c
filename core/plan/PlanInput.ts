import type { FibreKind, StockLot } from '../mix';
import type { Measured, UnitSystem } from '../quantity';
import type { CrewFigureName, FigureEntry, RecordEntry } from '../setting';
import type { Sheet, Task } from '../shelf';
import type { ElementInput, FindingInput } from '../survey';
import type { HouseMethod } from '../choose/houseMethod';
import type { SiteInput } from './site';

/** The firm's ways that a plan follows. */
export interface FirmSettings {
  readonly system: UnitSystem;
  readonly currency: string;
  /** accepted chance of losing a batch, 0.001-0.5 */
  readonly acceptedChance: number;
  /** how sure the order must be to reach, 0.5-0.99 */
  readonly orderQuantile: number;
  readonly medianWaste: number;
  /** shares of a bag the crew mixes */
  readonly grid: readonly number[];
  readonly pail_m3: number;
  readonly emptyPail_kg: number;
  readonly drill_kg: number | null;
  readonly lift_kg: number | null;
  /** its schools where good tradespeople disagree; Tufa's own where nothing is set */
  readonly house?: Partial<HouseMethod>;
  /** what running short costs for each bag that is missing, a trip or a lost day, minor units; absent where nobody knows */
  readonly shortCost_minor?: number;
}

/** Temperatures and weather at the work, each measured or marked assumed. */
export interface Conditions {
  readonly air_C: Measured;
  readonly slab_C: Measured;
  readonly powder_C: Measured;
  readonly water_C: Measured;
  /** 0 to 1 */
  readonly humidity: Measured;
  /** at the surface, m/s */
  readonly wind_ms: Measured;
  /** whether the sun is on the pail */
  readonly sun: boolean;
}

export interface CrewInput {
  readonly hands: number;
  /** what one person places, m2/s */
  readonly rate_m2_s: number;
  readonly carry_s: number;
  readonly finish_s: number;
}

/** How the batches are mixed: a share the user fixed, packets of retarder a bag, what the material must do. */
export interface BatchInput {
  readonly share: number | null;
  readonly retarderDose: number;
  readonly task: Task;
  readonly fibre?: { readonly kind: FibreKind; readonly dose_kg_m3: number; readonly bag_kg: number };
  /** share of the water that goes in as ice */
  readonly iceShare?: number;
  /** packs of colour for each bag */
  readonly colourPacks?: number;
  /** stone added to a sheet that allows it: kg for each kg of powder, and its water by mass of dry stone */
  readonly stone?: StoneInput;
}

export interface StoneInput {
  readonly ratio: number;
  readonly moisture: number;
  readonly absorption: number;
}

/** The crew's own figures: what their batches and days have shown. */
export interface RecordInput {
  readonly lives: readonly { readonly sheetId: string; readonly entries: readonly RecordEntry[] }[];
  readonly figures: Readonly<Partial<Record<CrewFigureName, readonly FigureEntry[]>>>;
}

/** What lies on the shelf of a sheet, part bags and leftovers. */
export interface StockInput extends StockLot {
  readonly sheetId: string;
}

/** A finding's chosen sheet. */
export interface TreatmentInput {
  readonly findingId: string;
  readonly sheetId: string;
}

/** The job file: everything a plan is computed from, and nothing else. */
export interface PlanInput {
  readonly v: 1;
  readonly job: { readonly id: string; readonly name: string };
  readonly firm: FirmSettings;
  readonly elements: readonly ElementInput[];
  readonly findings: readonly FindingInput[];
  readonly sheets: readonly Sheet[];
  readonly treatments: readonly TreatmentInput[];
  readonly conditions: Conditions;
  readonly crew: CrewInput;
  readonly batch: BatchInput;
  readonly site?: SiteInput;
  readonly record?: RecordInput;
  readonly stock?: readonly StockInput[];
  /** the firm's schools, and the job's own over them; Tufa's default where nothing is set */
  readonly house?: Partial<HouseMethod>;
  /** minutes to place that the crew asks for, s; absent where it only has to fit */
  readonly wanted_s?: number;
}

/** A firm that has set nothing yet. Pail 5 US gal; lift 23 kg; order sure to 80 %; one batch in ten may be lost. */
export const DEFAULT_FIRM: FirmSettings = {
  system: 'us',
  currency: 'USD',
  acceptedChance: 0.1,
  orderQuantile: 0.8,
  medianWaste: 0.07,
  grid: [1, 1 / 2, 1 / 3, 1 / 4],
  pail_m3: 0.018927,
  emptyPail_kg: 1,
  drill_kg: 30,
  lift_kg: 30,
};

export const DEFAULT_CREW: CrewInput = { hands: 2, rate_m2_s: 0.12 / 60, carry_s: 30, finish_s: 90 };

export const DEFAULT_BATCH: BatchInput = { share: null, retarderDose: 0, task: 'spread' };
