import type { HourWeather } from '../../weather';
import type { LayerRole } from '../../batches';
import { DAY, type WorkRates } from '../../day';
import type { FibreKind, FirmVessel, StockLot } from '../../mix';
import type { Measured, UnitSystem } from '../../quantity';
import type { CrewFigureName, FigureEntry, RecordEntry } from '../../setting';
import type { Aid, Sheet, Task } from '../../shelf';
import type { ElementInput, FindingInput } from '../../survey';
import type { HouseMethod } from '../../choose/houseMethod';

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
  /** what an hour, a trip, a tonne cost it; `DEFAULT_RATES` where nothing is set */
  readonly rates?: Partial<Rates>;
  /** what one person does of each kind of work; ordinary figures where nothing is set */
  readonly workRates?: Partial<WorkRates>;
  /** what it measures and mixes in beside its pail; ordinary ones where nothing is set */
  readonly vessels?: readonly FirmVessel[];
  /** width of its finishing broom; an ordinary one where nothing is set */
  readonly broom_m?: number;
  /** where it works again and again, by name */
  readonly places?: readonly NamedPlace[];
}

/** A place on the map, degrees: north and east count up. */
export interface Place {
  readonly latitude_deg: number;
  readonly longitude_deg: number;
}

/** A place that the firm has a word for. */
export interface NamedPlace extends Place {
  readonly name: string;
}

/** What work costs a firm, minor units. */
export interface Rates {
  /** one hand's hour */
  readonly labour_minor_h: number;
  /** coming out to the site once */
  readonly trip_minor: number;
  /** a powered tool and its discs for a day */
  readonly tool_minor_day: number;
  readonly disposal_minor_kg: number;
  /** mixed concrete brought to the site, a cubic metre */
  readonly concrete_minor_m3: number;
  /** put on top of the cost where no price is agreed, a share */
  readonly markup: number;
  /** time on site in a day, s */
  readonly workday_s: number;
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
  /** rain that somebody sees coming within so long of first water, s; absent where nobody does */
  readonly rain_s?: number;
}

/** Who is there and how fast. */
export interface CrewInput {
  readonly hands: number;
  /** what one person presses into patches, m2/s: other work goes as much quicker or slower as this is */
  readonly rate_m2_s: number;
  /** other kinds of work, where this crew's own pace is known */
  readonly rates?: Partial<WorkRates>;
  readonly carry_s: number;
  readonly finish_s: number;
  /** how many of them finish a face that is seen; all where nothing is said */
  readonly finishers?: number;
}

/** How the batches are mixed: a share the user fixed, packets of retarder a bag, what the material must do. */
export interface BatchInput {
  readonly share: number | null;
  readonly retarderDose: number;
  /** what the crew mixes it to; absent where the work itself says */
  readonly consistency?: Task;
  readonly fibre?: { readonly kind: FibreKind; readonly dose_kg_m3: number; readonly bag_kg: number };
  /** share of the water that goes in as ice */
  readonly iceShare?: number;
  /** packs of colour for each bag */
  readonly colourPacks?: number;
  /** stone added to a sheet that allows it: kg for each kg of powder, and its water by mass of dry stone */
  readonly stone?: StoneInput;
  /** share of the liquid, by volume, that goes in as acrylic latex where the sheet takes it */
  readonly latexShare?: number;
  /** what is left to mix in where the firm's pail is not there, m3 */
  readonly pail_m3?: number;
  /** what a layer has of its own, by `layerKey` */
  readonly byLayer?: Readonly<Record<string, LayerMix>>;
}

/** How one layer of one finding is mixed where that is not as the rest: how stiff, with how much water to powder by mass. */
export interface LayerMix {
  readonly consistency?: Task;
  readonly waterRatio?: number;
}

/** By which a layer's own mix is kept with its job. */
export const layerKey = (findingId: string, role: LayerRole): string => `${findingId}/${role}`;

/** Stone added to a mix: kg for each kg of powder, its water by mass of dry stone. */
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

/** A thin layer over a filled patch: over it alone, or over the whole element, so that patch and slab look alike. */
export interface OverlayInput {
  readonly sheetId: string;
  readonly thickness_m: number;
  readonly over: 'patch' | 'element';
}

/** A finding's system: what fills it, what goes over it, and what bonds, cures and coats it. */
export interface TreatmentInput {
  readonly findingId: string;
  readonly sheetId: string;
  readonly overlay?: OverlayInput;
  /** chosen of the job's aids, by role */
  readonly aids?: Readonly<Partial<Record<AidRole, string>>>;
}

/** What an aid may do in a system. */
export const AID_ROLES = ['bond', 'cure', 'coat'] as const;
/** What an aid does in a system. */
export type AidRole = (typeof AID_ROLES)[number];

/** Where and when: with it the temperatures change through the work; without it they are held. */
export interface SiteInput extends Place {
  /** how far the clock of the place is ahead of Greenwich, h; as its longitude has it where nobody says */
  readonly clock_h?: number;
  /** when the first water is planned, an ISO instant */
  readonly firstWater: string;
  readonly weather: { readonly from: string; readonly hours: readonly HourWeather[] };
}

/** The job file: everything a plan is computed from, and nothing else. */
export interface PlanInput {
  readonly v: 1;
  readonly job: { readonly id: string; readonly name: string };
  readonly firm: FirmSettings;
  readonly elements: readonly ElementInput[];
  readonly findings: readonly FindingInput[];
  readonly sheets: readonly Sheet[];
  /** agents, cures and coats that a treatment names */
  readonly aids?: readonly Aid[];
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
  /** what is in place already when a plan that broke is made anew: its list is of what is left */
  readonly poured?: readonly PouredLayer[];
}

/** So much of a layer as is in place, in so many batches, the last of which bears a number. */
export interface PouredLayer {
  readonly layer: string;
  /** in its product's unit */
  readonly amount: number;
  readonly batches: number;
  readonly last: string;
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

/** Ordinary figures for a firm that has set none: its own replace them. */
export const DEFAULT_RATES: Rates = {
  labour_minor_h: 5500,
  trip_minor: 4500,
  tool_minor_day: 3500,
  disposal_minor_kg: 12,
  concrete_minor_m3: 19000,
  markup: 0.35,
  workday_s: DAY.workday_s,
};

/** What work costs a firm, ordinary figures where it has set none. */
export const ratesOf = ({ rates }: FirmSettings): Rates => ({ ...DEFAULT_RATES, ...rates });

/** Two hands, 0.12 m2 a minute, until the firm says its own. */
export const DEFAULT_CREW: CrewInput = { hands: 2, rate_m2_s: 0.12 / 60, carry_s: 30, finish_s: 90 };

/** Mixed to what the work asks, without additions, in shares the plan finds. */
export const DEFAULT_BATCH: BatchInput = { share: null, retarderDose: 0 };
