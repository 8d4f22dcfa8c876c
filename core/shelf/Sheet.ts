import type { StrengthPoint } from '../setting';

/** Classes of what is mixed and placed. */
export const SHEET_CLASSES = [
  'fineRapid',
  'sandedRapid',
  'rapidConcrete',
  'structuralRapid',
  'broomOverlay',
  'portlandTopping',
  'renderRepair',
  'edgeMortar',
  'counterMix',
  'antiWashout',
  'bottleResin',
  'filledResin',
  'crackResin',
  'jointSealant',
] as const;
export type SheetClass = (typeof SHEET_CLASSES)[number];

/** What sets, which gives the class of its rate. */
export const BINDERS = ['rapid', 'portland', 'epoxy', 'polyurea'] as const;
export type Binder = (typeof BINDERS)[number];

/** Ways a face may lie. */
export const ORIENTATIONS = ['horizontal', 'vertical', 'overhead'] as const;
export type Orientation = (typeof ORIENTATIONS)[number];

/** What a base may be. */
export const MOISTURES = ['dry', 'damp', 'wet'] as const;
/** State of the substrate: damp is saturated surface-dry, wet has free water. */
export type Moisture = (typeof MOISTURES)[number];

/** What an element may have to endure. */
export const EXPOSURES = ['frost', 'deicer', 'abrasion', 'immersion', 'wheels', 'sunlight', 'heat'] as const;
export type Exposure = (typeof EXPOSURES)[number];

/** What a mix must do: its consistency belongs to the task. */
export const TASKS = ['pour', 'brush', 'spread', 'hang', 'ball', 'screed'] as const;
/** What the material must do, which sets its consistency. */
export type Task = (typeof TASKS)[number];

/** A time on the sheet, s at its reference temperature: a figure, or a range whose geometric mean counts. */
export interface SheetTime {
  readonly least_s: number;
  readonly most_s: number;
}

/** From holding its form to vehicles, in the order of age. */
export const MILESTONES = ['holdsForm', 'initial', 'final', 'strip', 'grind', 'foot', 'coat', 'paint', 'seal', 'vehicles'] as const;
export type MilestoneName = (typeof MILESTONES)[number];

/** What a sheet is made for: a filling, a skim, a crack, a joint that moves or not, an edge, a rebuilt step, a ramp, a countertop, a void under water. */
export const USES = ['spall', 'overlay', 'crack', 'joint', 'edge', 'rebuild', 'ramp', 'counter', 'void'] as const;
export type Use = (typeof USES)[number];

/** What a sheet asks between old and new. */
export const BONDS = ['self', 'scrub', 'slurry', 'agent', 'none'] as const;
/** What it wants under it: nothing, a scrub coat of itself, a cement-latex slurry, a bonding agent; none where bond is not asked. */
export type Bond = (typeof BONDS)[number];

/** What a product may lie on. */
export const SUBSTRATES = ['concrete', 'render', 'brick', 'block', 'stone', 'terrazzo', 'tile', 'laminate', 'timber', 'board'] as const;
export type Substrate = (typeof SUBSTRATES)[number];

/** How a face may be finished. */
export const TEXTURES = ['smooth', 'float', 'broom', 'sponge', 'sand', 'dash', 'flattened', 'skip', 'polished'] as const;
export type Texture = (typeof TEXTURES)[number];

/** What of a product can hurt. */
export const HAZARDS = ['wetCement', 'silica', 'sensitiser', 'heat', 'skin', 'solvent', 'dust'] as const;
export type Hazard = (typeof HAZARDS)[number];

/** From when and until when the next may follow, s at the sheet's reference temperature. */
export interface Interval {
  readonly least_s: number;
  readonly most_s: number;
}

/** From where to where a sheet allows it. */
export interface Limits {
  readonly airLeast_C: number;
  readonly airMost_C: number;
  readonly slabLeast_C: number;
  readonly slabMost_C: number;
}

/** A data sheet: one immutable revision of what a product's label says, SI, times at `reference_C`. */
export interface Sheet {
  readonly id: string;
  readonly productId: string;
  readonly revision: number;
  readonly name: string;
  readonly class: SheetClass;
  readonly binder: Binder;
  /** the damage it is made for */
  readonly uses: readonly Use[];
  readonly packs: readonly { readonly mass_kg: number; readonly price_minor: number }[];
  readonly thickness: {
    readonly least_m: number;
    readonly most_m: number;
    readonly liftMost_m: number;
    /** what of it holds standing or hanging, where that is less */
    readonly liftBy?: { readonly vertical?: number; readonly overhead?: number };
    readonly feathers: boolean;
    /** where a use has its own */
    readonly byUse?: Readonly<Partial<Record<Use, { readonly least_m: number; readonly most_m: number }>>>;
  };
  readonly grain_m: number;
  readonly orientations: readonly Orientation[];
  readonly moisture: Moisture;
  /** least surface profile, ICRI CSP 1-10 */
  readonly profile: number;
  readonly bond: Bond;
  /** what it may be laid on; absent on sheets from before this was asked */
  readonly substrates?: readonly Substrate[];
  readonly exposures: readonly Exposure[];
  /** head of water it holds against, m */
  readonly head_m?: number;
  /** movement of a joint it takes, a share of the joint's width; 0 or absent for what is rigid */
  readonly movement?: number;
  /** water to powder by mass; null for resins */
  readonly water: { readonly least: number; readonly most: number; readonly byTask: Readonly<Partial<Record<Task, number>>> } | null;
  /** parts by volume for resins; one part is ready to use */
  readonly parts: readonly number[] | null;
  readonly powderDensity_kg_m3: number;
  readonly bulkDensity_kg_m3: number;
  readonly airShare: number;
  /** mixed volume of a kg of powder where the sheet states it, m3/kg */
  readonly yield_m3_kg: number | null;
  readonly flow: SheetTime;
  readonly finish: SheetTime;
  readonly reference_C: number;
  readonly Ea_J_mol: number | null;
  readonly milestones: Readonly<Partial<Record<MilestoneName, number>>>;
  readonly strengths: readonly StrengthPoint[];
  /** strength at which a milestone may be allowed, MPa */
  readonly strengthFor: Readonly<Partial<Record<MilestoneName, number>>>;
  /** packets a bag against the factor on working time; empty where none may be used */
  readonly retarder: readonly (readonly [dose: number, factor: number])[];
  /** what the table's doses are: packets a bag, or kg of citric acid for each kg of powder */
  readonly retarderUnit?: 'packet' | 'citric';
  /** share of its liquid, by volume, that acrylic latex may be; absent where it takes none */
  readonly latexMost?: number;
  readonly mixing: { readonly time_s: number; readonly portions: number; readonly batchMost_kg: number | null };
  readonly massExponent: number | null;
  readonly limits: Limits;
  /** the next lift of the same, and the next product on it without keying the face again */
  readonly intervals?: { readonly layer: Interval; readonly recoat: Interval };
  readonly textures?: readonly Texture[];
  readonly hazards: readonly Hazard[];
  readonly colour: { readonly wet: string; readonly dry: string };
  readonly storage?: { readonly least_C: number; readonly most_C: number };
  /** unopened */
  readonly shelfLife_days: number;
  readonly opened_days?: number;
  /** names of what nobody read from the bag and the class stands in for */
  readonly assumed?: readonly string[];
  /** what a resin is like beside its parts by volume; class figures where it is absent */
  readonly resin?: ResinSheet;
  /** further working times, degC and s: two temperatures or more fit the activation energy */
  readonly flowPoints?: readonly (readonly [temperature_C: number, time_s: number])[];
  /** milestones at other temperatures; they share the flow's activation energy and help to fit it */
  readonly milestonePoints?: Readonly<Partial<Record<MilestoneName, readonly (readonly [temperature_C: number, time_s: number])[]>>>;
  /** clean stone that may be added, kg for each kg of powder, and its largest grain */
  readonly extension?: {
    readonly most: number;
    readonly grain_m: number;
    /** how thick it may then be, and in one lift; as without stone where nothing is said */
    readonly most_m?: number;
    readonly liftMost_m?: number;
  };
}

/** What only a resin has. */
export interface ResinSheet {
  /** of each part, kg/m3 */
  readonly densities_kg_m3: readonly number[];
  /** parts by weight where the sheet states them too */
  readonly byMass: readonly number[] | null;
  readonly bottle_m3: number;
  /** how fast it leaves the bottle */
  readonly squeeze_m3_s: number;
  /** dry sand to liquid by volume at most; null where it sets none */
  readonly sandLimit: number | null;
  /** life in a film over life in the bottle */
  readonly filmShare: number | null;
}
