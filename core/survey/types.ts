import type { Measured } from '../quantity';
import type { SurfaceSite } from '../weather';
import type { Exposure, Moisture, Orientation, Substrate, Texture } from '../shelf';
import type { WidthVisit } from './crackMovement';
import type { Opinion } from './opinion';
import type { StandingWater } from './water';
import type { Flight } from './flight';
import { polygonArea } from '../takeoff';
import type { CrackProfile, DepthReading, Point, Rounding, Section, SpallShape } from '../takeoff';

/** What an element may be. */
export const ELEMENT_KINDS = ['slab', 'wall', 'step', 'counter', 'soffit', 'kerb', 'joint'] as const;
export type ElementKind = (typeof ELEMENT_KINDS)[number];

/** The five questions whose yes, or don't know, stops the plan and sends the user to a licensed engineer. */
export const STOP_QUESTIONS = ['rust', 'stepOrSettlement', 'movement', 'carriesBuilding', 'tooDeep'] as const;
export type StopQuestion = (typeof STOP_QUESTIONS)[number];
/** What may be answered. */
export const ANSWERS = ['no', 'yes', 'unknown'] as const;
export type Answer = (typeof ANSWERS)[number];

/** The answers, and what a licensed person said of what they stopped. */
export type Stops = Readonly<Partial<Record<StopQuestion, Answer>>> & { readonly opinion?: Opinion };

/** When a finding is dealt with: what waits is measured and named, and nothing is ordered for it. */
export const PHASES = ['now', 'season', 'nextYear'] as const;
export type Phase = (typeof PHASES)[number];

/** What is seen on an element beside its damage. */
export const MARKS = ['hollow', 'wet', 'rust', 'obstacle', 'fall'] as const;
export type MarkKind = (typeof MARKS)[number];

/** A hollow or wet area, rust, an obstacle: an outline; a fall: a line downhill. */
export interface SurveyMark {
  readonly id: string;
  readonly label: string;
  readonly what: MarkKind;
  readonly points: readonly Point[];
}

/** What became of earlier repairs. */
export const EARLIER = ['none', 'held', 'failed'] as const;
export type Earlier = (typeof EARLIER)[number];

/** What is looked at: a slab, a wall ... with its outline in its own plane, m. */
export interface ElementInput {
  readonly id: string;
  readonly name: string;
  readonly kind: ElementKind;
  readonly outline: readonly Point[];
  readonly thickness: Measured;
  /** carried on supports rather than on the ground; absent while nobody has answered */
  readonly suspended?: boolean;
  readonly exposures: readonly Exposure[];
  /** what its surface is; absent while nobody has answered */
  readonly moisture?: Moisture;
  /** how long after the pour it must carry what is asked, s; null where nobody asks */
  readonly opens: { readonly to: 'foot' | 'vehicles'; readonly after_s: number } | null;
  readonly stops: Stops;
  /** where it was tapped, and which taps rang hollow, counted from 0 */
  readonly soundings?: { readonly points: readonly Point[]; readonly hollow: readonly number[] };
  /** holes in it, a door or a drain: outlines inside its own, m */
  readonly openings?: readonly (readonly Point[])[];
  /** a flight of steps: its outline is the flight laid flat, the landing first */
  readonly flight?: Flight;
  /** what carries a top, and the floor under that */
  readonly stand?: CounterStand;
  /** water that stands in it while the work is done */
  readonly water?: StandingWater;
  readonly marks?: readonly SurveyMark[];
  /** what it is made of, where it was told */
  readonly material?: Substrate;
  /** how its surroundings are finished, where the repair is to look like them */
  readonly texture?: Texture;
  /** what colour they dry to, in the shelf's own words */
  readonly colour?: string;
  /** what its surface was found to be: the weakest pull, the slowest drop, the wettest place, the softest scratch (0 powders, 2 is hard) */
  readonly surface?: { readonly pull_Pa?: number; readonly drop_s?: number; readonly moisture?: number; readonly scratch?: number };
  readonly earlier?: Earlier;
  /** whether what broke it is still at work: water behind it, a wheel on its edge, a joint that is missing */
  readonly causeGoesOn?: Answer;
  /** what of sun and sky reaches it, and the way a wall looks */
  readonly sun?: Omit<SurfaceSite, 'kind' | 'onGround' | 'thickness_m'>;
}

interface Found {
  readonly id: string;
  readonly elementId: string;
  readonly label: string;
  /** absent: now */
  readonly phase?: Phase;
}

/** A broken-out or scaled patch; with four depth readings or more its volume follows them instead of a shape. */
export interface SpallInput extends Found {
  readonly kind: 'spall';
  readonly outline: readonly Point[];
  readonly deepest: Measured;
  readonly shape: SpallShape;
  readonly edge: 'cut' | 'feathered';
  readonly readings?: readonly DepthReading[];
  /** depth of the saw-cut shoulder */
  readonly cutDepth_m?: number;
}

/** A crack that is filled with dry sand and a resin cap. */
export interface CrackInput extends Found {
  readonly kind: 'crack';
  readonly line: readonly Point[];
  readonly profile: CrackProfile;
  /** distance along and width, m */
  readonly widths: readonly (readonly [along_m: number, width_m: number])[];
  readonly depth: Measured;
  readonly cap_m: number;
  /** one whose bottom nobody reaches takes so much more, as a share */
  readonly runaway: number;
  /** seen to open and close, or not */
  readonly moves?: Answer;
  /** one side higher than the other, m */
  readonly lip_m?: number;
  /** its widths, a visit at a time */
  readonly visits?: readonly WidthVisit[];
}

/** A cut groove or a control joint that is filled. */
export interface GrooveInput extends Found {
  readonly kind: 'groove';
  readonly line: readonly Point[];
  readonly width: Measured;
  readonly depth: Measured;
  readonly blade_m: number;
  /** a joint that moves: how warm and cold it gets, and what share of its width the sealant may move */
  readonly moves: { readonly between_m: number; readonly range_K: number; readonly movementClass: number } | null;
}

/** A face of a step. */
export const STEP_FACES = ['riser', 'tread', 'nosing'] as const;
export type StepFace = (typeof STEP_FACES)[number];

/** Which step of a flight it is on, counted from the bottom, and which face. */
export interface OnStep {
  readonly step: number;
  readonly face: StepFace;
}

/** A broken edge or nosing. */
export interface EdgeInput extends Found {
  readonly kind: 'edge';
  readonly onStep?: OnStep;
  readonly section: Section;
  readonly length: Measured;
  readonly across: Measured;
  readonly down: Measured;
}

/** A step rebuilt inside a form. */
export interface StepInput extends Found {
  readonly kind: 'step';
  /** the lowest of them, counted from the bottom of its flight; absent where nobody says */
  readonly from?: number;
  readonly width: Measured;
  readonly going: Measured;
  readonly rise: Measured;
  /** how many alike are rebuilt; their forms and props are told for one */
  readonly steps: number;
  readonly stays_m3: number;
  readonly pitch: number;
  /** between a prop and the thrust it takes */
  readonly propAngle_rad: number;
}

/** A skim or overlay over a profile. */
export interface SkimInput extends Found {
  readonly kind: 'skim';
  readonly onStep?: OnStep;
  readonly outline: readonly Point[];
  readonly thickness: Measured;
  /** surface profile it fills, CSP 1-10 */
  readonly profile: number;
  /** what of the outline is left bare, a door or a drain */
  readonly cutouts_m2?: readonly number[];
}

/** A wedge at a height difference. */
export interface WedgeInput extends Found {
  readonly kind: 'wedge';
  /** the joint it lies beside, which stays open; null where none is there, absent while nobody has said */
  readonly joint?: { readonly label: string | null; readonly width_m: number } | null;
  readonly run: Measured;
  readonly rise: Measured;
  readonly width: Measured;
}

/** What a top may stand on, and on what floor. */
export const COUNTER_ON = ['cabinets', 'legs', 'brackets'] as const;
export const COUNTER_FLOORS = ['onGround', 'concrete', 'timber', 'unknown'] as const;

/** What carries a top, and whether somebody competent has said that it does. */
export interface CounterStand {
  readonly on: (typeof COUNTER_ON)[number];
  readonly floor: (typeof COUNTER_FLOORS)[number];
  readonly confirmed: boolean;
}

/** A countertop cast or overlaid. */
export interface CounterInput extends Found {
  readonly kind: 'counter';
  readonly outline: readonly Point[];
  readonly cutouts_m2: readonly number[];
  readonly thickness: Measured;
  /** cast in a mould, on no base; laid over what is there where nobody says so */
  readonly cast?: boolean;
  /** dropped edges below the slab */
  readonly edges: readonly { readonly length_m: number; readonly across_m: number; readonly down_m: number }[];
  /** corners that are rounded, by their place in the outline */
  readonly radii?: readonly Rounding[];
  /** cast strips that stand up at a wall: each side's length, how high and how thick */
  readonly splash?: { readonly lengths_m: readonly number[]; readonly height_m: number; readonly thick_m: number };
  /** holes that no seam may cross, as outlines */
  readonly holes?: readonly (readonly Point[])[];
  /** lengths that strips come in, and what the saw eats */
  readonly stock_m: number;
  readonly kerf_m: number;
}

/** A void that is filled under water by hand. */
export interface VoidInput extends Found {
  readonly kind: 'void';
  readonly outline: readonly Point[];
  readonly deepest: Measured;
  readonly shape: SpallShape;
}

/** What is wrong with an element. */
export type FindingInput = SpallInput | CrackInput | GrooveInput | EdgeInput | StepInput | SkimInput | WedgeInput | CounterInput | VoidInput;
export type FindingKind = FindingInput['kind'];

/** Area of an element without its openings, m2. */
export const netArea = ({ outline, openings = [] }: Pick<ElementInput, 'outline' | 'openings'>): number =>
  openings.reduce((sum, opening) => sum - polygonArea(opening), polygonArea(outline));

/** When a finding is dealt with; now where nobody said. */
export const phaseOf = ({ phase }: FindingInput): Phase => phase ?? 'now';

/** How an element of a kind lies. */
export const orientationOf = (kind: ElementKind): Orientation => (kind === 'wall' ? 'vertical' : kind === 'soffit' ? 'overhead' : 'horizontal');
