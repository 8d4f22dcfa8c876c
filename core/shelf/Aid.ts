import type { Exposure, Hazard, Interval, Limits, Moisture, Orientation, Substrate } from './Sheet';

/** Classes of what goes with a material. */
export const AID_CLASSES = ['latex', 'pva', 'epoxyBond', 'retarder', 'fibre', 'colour', 'curing', 'sealer', 'silane', 'coating'] as const;
export type AidClass = (typeof AID_CLASSES)[number];

/** What an aid is sold by. */
export const AID_UNITS = ['kg', 'm3', 'piece'] as const;
export type AidUnit = (typeof AID_UNITS)[number];

/** States in which an agent may be covered. */
export const COVERED = ['wet', 'tacky', 'dry'] as const;
/** The state it must be in when it is covered. */
export type Covered = (typeof COVERED)[number];

/** What to do when its open time has passed. */
export const PASSED = ['again', 'grind'] as const;

/** How much of it goes in: packets or acid by the bag or the powder, fibre by the mixed volume, colour by the bag. */
export type AidDose =
  | { readonly kind: 'retarder'; readonly per: 'packet' | 'citric'; readonly table: readonly (readonly [dose: number, factor: number])[] }
  | {
      readonly kind: 'fibre';
      readonly fibre: 'polypropylene' | 'glass';
      readonly length_m: number;
      readonly least_kg_m3: number;
      readonly most_kg_m3: number;
    }
  | { readonly kind: 'colour'; readonly packMass_kg: number; readonly mostPacks: number };

/** What goes with a repair material: bond agents, retarders, fibres, colours, cures and coats. SI, times at `reference_C`. */
export interface Aid {
  readonly id: string;
  readonly productId: string;
  readonly revision: number;
  readonly name: string;
  readonly class: AidClass;
  /** what its packs are counted in */
  readonly unit: AidUnit;
  readonly packs: readonly { readonly amount: number; readonly price_minor: number }[];
  /** square metres that one kg or m3 covers, on an open and on a tight surface; null for what is dosed */
  readonly coverage_m2: { readonly least_m2: number; readonly most_m2: number } | null;
  readonly dose: AidDose | null;
  readonly covered: Covered | null;
  /** how long it may wait until it is covered */
  readonly open: Interval | null;
  /** what to do when that has passed: brush it again, or grind it off first */
  readonly passed: (typeof PASSED)[number] | null;
  /** it leaves a film */
  readonly film: boolean;
  /** it holds in standing water */
  readonly underWater: boolean;
  readonly moisture: Moisture;
  readonly orientations: readonly Orientation[];
  readonly substrates: readonly Substrate[];
  readonly exposures: readonly Exposure[];
  /** share of a liquid that is solid; null where it does not matter */
  readonly solids: number | null;
  readonly density_kg_m3: number;
  readonly times: {
    readonly dry_s?: number;
    readonly recoatLeast_s?: number;
    readonly recoatMost_s?: number;
    readonly foot_s?: number;
    readonly vehicles_s?: number;
  };
  /** how old new work must be under it, s */
  readonly waits_s: number;
  readonly reference_C: number;
  readonly limits: Limits;
  readonly hazards: readonly Hazard[];
  readonly colour: { readonly wet: string; readonly dry: string };
  readonly storage: { readonly least_C: number; readonly most_C: number };
  readonly shelfLife_days: number;
  readonly opened_days: number;
  /** names of what nobody read from the label and the class stands in for */
  readonly assumed?: readonly string[];
}
