import type { CrewRecord, Temperatures } from '../../setting';
import type { Sheet, Task } from '../../shelf';
import type { CrewInput, FirmSettings, StoneInput } from '../input/PlanInput';

/** Temperatures that are known more or less well. */
export type SpreadTemperature = 'slab_C' | 'air_C' | 'powder_C' | 'water_C';

/** One batch of one sheet at given temperatures: plain numbers, so that a finger can drive it. */
export interface WindowQuestion {
  readonly sheet: Sheet;
  readonly task: Task;
  readonly share: number;
  readonly retarderDose: number;
  /** mean thickness of the layer, m */
  readonly thickness_m: number;
  /** what of the ground's texture the layer fills, where the take-off has told it; else the profile that the sheet asks for, m */
  readonly texture_m?: number;
  readonly air_C: number;
  readonly slab_C: number;
  readonly powder_C: number;
  readonly water_C: number;
  readonly humidity: number;
  readonly wind_ms: number;
  readonly sun: boolean;
  readonly crew: CrewInput;
  readonly acceptedChance: FirmSettings['acceptedChance'];
  /** share of the water that goes in as ice */
  readonly iceShare?: number;
  /** share of the liquid, by volume, that goes in as latex */
  readonly latexShare?: number;
  /** stone that goes with each kg of powder */
  readonly stone?: StoneInput;
  /** how fast it is placed where that does not go by area: from a bottle, along a line, by hand portions, m3/s a person */
  readonly place_m3_s?: number;
  /** another batch of the same is mixed meanwhile: who mixes does not place */
  readonly follows?: boolean;
  /** batches run together wet inside one panel */
  readonly panel?: boolean;
  /** how slab and air go on from first water, K; absent where they are held */
  readonly slabDrift?: Temperatures;
  readonly airDrift?: Temperatures;
  /** what the crew's own batches of this sheet say */
  readonly record?: CrewRecord;
  /** share of the mix water whose loss skins a layer: the crew's own; the default where nobody says */
  readonly skinShare?: number;
  /** how little is known of the temperatures: standard deviations, K */
  readonly spread_K?: Readonly<Partial<Record<SpreadTemperature, number>>>;
  /** nobody read the slab: it is modelled from the air, and is as wrong as it */
  readonly slabFollowsAir?: boolean;
}
