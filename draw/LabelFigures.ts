import type { SystemSection } from '@tufa/core/plan';
import type { PlanKind } from './kinds';

type None = Readonly<Record<never, never>>;
type Plain =
  | 'draw.barMaterial'
  | 'draw.barHands'
  | 'draw.barRest'
  | 'draw.implied'
  | 'draw.north'
  | 'draw.legendTitle'
  | `draw.legend.${PlanKind}`
  | 'draw.water'
  | 'draw.anchors'
  | 'draw.carried'
  | 'draw.steeper'
  | `draw.face.${Extract<SystemSection, { kind: 'edge' }>['face']}`
  | 'draw.strata'
  | 'draw.vessel'
  | 'draw.bottle'
  | 'draw.order'
  | 'draw.week'
  | 'draw.crewLife'
  | 'draw.day'
  | 'draw.labels'
  | 'draw.mixedLine'
  | 'draw.waterLine'
  | 'draw.placedMark'
  | 'draw.finishedMark'
  | 'draw.hardMark'
  | 'strata.flows'
  | 'strata.finishes'
  | 'strata.stiffens'
  | 'strata.set'
  | 'strata.skin';

type Base = Readonly<{ wants: string; is: string; bond: string }>;
type Profiled = Base & { readonly csp: number };
type Marked = Readonly<{ milestone: string; after_s: number }>;

/** Whatever is written on a drawing, with the figures that come with it: lengths in m, times in s, money in minor units. */
export type LabelFigures = Readonly<Record<Plain, None>> &
  Readonly<Record<`draw.sectionOf.${SystemSection['kind']}`, Readonly<{ name: string; thickness_m: number }>>> &
  Readonly<Record<`draw.on.${SystemSection['on']}`, Readonly<{ thickness_m: number }>>> &
  Readonly<Record<`draw.crack.${Exclude<Extract<SystemSection, { kind: 'crack' }>['method'], 'joint' | 'bedAndCap'>}`, Readonly<{ depth_m: number }>>> &
  Readonly<Record<'draw.impliedFlows' | 'draw.impliedFinishes' | 'draw.impliedSets', Readonly<{ t_s: number }>>> &
  Readonly<Record<'draw.plan' | 'draw.systems' | 'draw.flight' | 'draw.cutList', Readonly<{ count: number }>>> &
  Readonly<Record<'draw.name' | 'draw.overIt', Readonly<{ name: string }>>> &
  Readonly<Record<'draw.wide' | 'draw.widened', Readonly<{ width_m: number }>>> &
  Readonly<Record<'draw.lifts' | 'draw.oneLift', Readonly<{ deepest_m: number; lifts: number }>>> &
  Readonly<Record<'draw.baseIs' | 'draw.baseBonded', Profiled>> &
  Readonly<Record<'draw.abradedIs' | 'draw.abradedBonded', Base>> &
  Readonly<Record<'strata.milestone' | 'strata.after', Marked>> & {
    readonly 'strata.safe': Readonly<{ chance: string }>;
    readonly 'draw.systemBar': Readonly<{ number: string; name: string; total_minor: number }>;
    readonly 'draw.life': Readonly<{ planPlace_s: number; planFinish_s: number }>;
    readonly 'draw.layerDeep': Readonly<{ layer_m: number }>;
    readonly 'draw.spoons': Readonly<{ spoons: string }>;
    readonly 'draw.drop': Readonly<{ drop_m: number }>;
    readonly 'draw.edgeSize': Readonly<{ across_m: number; down_m: number }>;
    readonly 'draw.rise': Readonly<{ rise_m: number }>;
    readonly 'draw.going': Readonly<{ going_m: number }>;
    readonly 'draw.wedgeSize': Readonly<{ rise_m: number; run_m: number }>;
    readonly 'draw.thin': Readonly<{ thin_m: number }>;
    readonly 'draw.jointStays': Readonly<{ joint_m: number }>;
    readonly 'draw.toe': Readonly<{ toe_m: number }>;
    readonly 'draw.cap': Readonly<{ cap_m: number }>;
    readonly 'draw.bed': Readonly<{ bed_m: number }>;
    readonly 'draw.crown': Readonly<{ crown_m: number }>;
    readonly 'draw.sealant': Readonly<{ sealant_m: number }>;
    readonly 'draw.rod': Readonly<{ rod_m: number }>;
    readonly 'draw.overlay': Readonly<{ name: string; overlay_m: number }>;
  };

/** A code with just its figures; none where it has none. */
export type Coded = { [C in keyof LabelFigures]: { readonly code: C; readonly figures: LabelFigures[C] } }[keyof LabelFigures];
/** A code that comes without figures. */
export type PlainCode = Plain;

/** A code with its figures, where either is only known to be of some: the compiler no longer sees that they belong together. */
export const coded = <C extends keyof LabelFigures>(code: C, figures: LabelFigures[C]): Coded => ({ code, figures }) as Coded;
