import { baseKindOf, bondOf, CHOOSE, isSoaked, preparationTool, edgeOf, houseOf, profileReached, type HouseMethod } from '../../choose';
import { MIX } from '../../mix';
import { rate } from '../../setting';
import { movementOf, isResin, type Covered, type Interval } from '../../shelf';
import type { FindingInput } from '../../survey';
import { groovePasses, meanWidth, TAKEOFF } from '../../takeoff';
import { ceilingOf } from '../../quantity';
import { WEATHER } from '../../weather';
import { baseMoisture } from './baseMoisture';
import type { Context } from '../input/Context';
import { anchorCount } from './anchorCount';
import { crackWay } from './filledTakeOff';
import { standsHigh } from '../orders/orders';
import type { AidPlan } from '../Plan';
import type { RepairStep, RepairStepOf, StepCondition } from './RepairStep';
import type { StepCode, StepFigures } from './STEPS';
import type { AidRole } from '../input/PlanInput';
import { PLAN } from '../constants';

type More = Partial<Pick<RepairStep, 'sheetId' | 'thickness_m' | 'after' | 'condition'>>;

/** One step, its figures as its row has them. */
const step = <C extends StepCode>(code: C, figures: StepFigures[C], more: More = {}): RepairStepOf<C> => ({
  code,
  figures,
  sheetId: null,
  thickness_m: null,
  after: null,
  condition: null,
  ...more,
});

/** How a riser's face is made: by its depth, or by the firm's school. */
export function riserMethod({ riserFace }: HouseMethod, depth_m: number): Exclude<HouseMethod['riserFace'], 'byDepth'> {
  if (riserFace !== 'byDepth') return riserFace;
  if (depth_m < CHOOSE.skimUnder_m) return 'skimmed';
  return depth_m <= CHOOSE.trowelTo_m ? 'trowelHeld' : 'formed';
}

/** What is taken away and what is left behind of it. */
function removing(full: Full): RepairStep[] {
  const { element, finding, takeOff, sheet, house, over } = full;
  // A fill is rubbed and rinsed before its overlay; no base is left to be prepared.
  if (over === 'patch') return [];
  const csp = profileReached(house, sheet);
  const tool = preparationTool(house, sheet);
  const area_m2 = takeOff.rough_m2 || takeOff.area_m2;
  const base = baseKindOf(element);
  const prepare: RepairStep =
    base === 'mineral'
      ? step(`step.prepare.${tool}`, {
          csp,
          asked: sheet.profile,
          area_m2,
          passes: CHOOSE.passes[tool],
          discs: tool === 'grind' ? ceilingOf(area_m2 / CHOOSE.discLife_m2) : 0,
        })
      : step(`step.ready.${base}`, { area_m2 });
  // Water has no business where the base must be dry.
  const vacuum = step(baseMoisture(full) === 'dry' ? 'step.vacuumDry' : 'step.vacuum', {});
  switch (finding.kind) {
    case 'crack':
    case 'groove':
      return [step('step.scrape', {}), vacuum];
    case 'skim':
    case 'counter':
      return [prepare, vacuum];
    case 'void':
      return [step('step.loose', {})];
    default:
      return [step('step.breakOut', { depth_m: takeOff.deepest_m, area_m2: takeOff.area_m2, mass_kg: takeOff.debris?.mass_kg ?? 0 }), prepare, vacuum];
  }
}

function edging({ element, finding, takeOff, sheet, house }: Full): RepairStep[] {
  if (finding.kind === 'wedge') return sheet.thickness.feathers ? [] : [step('step.cutToe', { least_m: sheet.thickness.least_m })];
  if (finding.kind !== 'spall') return [];
  const edge = edgeOf({ house, element, finding });
  if (edge === 'shoulder') return [step('step.shoulder', { depth_m: Math.max(sheet.thickness.least_m, CHOOSE.shoulderFrom_m), length_m: takeOff.perimeter_m })];
  return edge === 'keyed' ? [step('step.keyed', { length_m: takeOff.perimeter_m })] : [step('step.feather', {})];
}

function wetting(full: Full): RepairStep[] {
  const { element, sheet, house, slab_C } = full;
  const base = baseMoisture(full);
  if (isResin(sheet) || sheet.moisture === 'dry') return [step('step.dry', { margin_K: WEATHER.dewMargin_K }, { condition: 'dew' })];
  if (base === 'dry') return [step(isSoaked(element) ? 'step.dryForAgent' : 'step.notSoaked', {})];
  if (base === 'wet') return [];
  if (house.moisture === 'dry') return [step('step.leftDry', {}, { condition: 'school' })];
  const wall = element.kind === 'wall' || element.kind === 'soffit';
  const hot = slab_C >= CHOOSE.hotWall_C;
  if ((house.moisture === 'dampWhenHot' || (house.moisture === 'byProduct' && wall)) && !hot) return [step('step.dustDamp', {})];
  return [step('step.soak', { soak_s: PLAN.soak_s, slab_C })];
}

/** What has a body on a base that can be drilled: no line, nothing that is laid, nothing under water. */
export const reinforceable = ({ kind }: FindingInput): boolean => !['crack', 'groove', 'skim', 'counter', 'void'].includes(kind);

/** Whether a firm puts fibre into what fills this. */
export const takesFibre = ({ reinforcement }: HouseMethod, finding: Full['finding']): boolean => reinforcement === 'fibre' && reinforceable(finding);

function reinforcing({ finding, element, takeOff, house }: Full): RepairStep[] {
  if (!reinforceable(finding)) return [];
  const deep = takeOff.deepest_m >= CHOOSE.reinforceFrom_m;
  if (house.reinforcement === 'none' || (house.reinforcement === 'byDepth' && !deep)) return [];
  if (house.reinforcement === 'fibre') return [step('step.fibre', {})];
  const carries = finding.kind === 'edge' || finding.kind === 'step' || element.exposures.includes('wheels');
  return [step(carries ? 'step.anchorsAsk' : 'step.anchors', { depth_m: takeOff.deepest_m, number: anchorCount(takeOff) }, { condition: 'licensed' })];
}

const aidFor = ({ aids }: Full, role: AidRole): AidPlan | undefined => aids.find((aid) => aid.role === role);

/** In which state an agent is covered; as its sheet says where it says nothing. */
const COVERED: Readonly<Record<Covered, StepCondition>> = { wet: 'coverWet', tacky: 'coverTacky', dry: 'coverDry' };

function bonding(full: Full): RepairStep[] {
  const { sheet, house } = full;
  const bond = bondOf(house, sheet);
  const sheetId = aidFor(full, 'bond')?.aidId ?? null;
  if (bond === 'scrub') return [step('step.bond.scrub', {}, { sheetId: sheet.id, thickness_m: MIX.slurryLayer_m, condition: 'coverWet' })];
  if (bond === 'slurry') return [step('step.bond.slurry', {}, { sheetId, thickness_m: MIX.slurryLayer_m, condition: 'coverWet' })];
  if (bond !== 'agent') return [];
  const agent = full.input.aids?.find(({ id }) => id === sheetId);
  return [step('step.bond.agent', {}, { sheetId, condition: agent?.open && agent.covered ? COVERED[agent.covered] : 'coverTacky' })];
}

/** By weight, or in vessels by the loose powder's density. */
const measuring = ({ sheet, house }: Full): RepairStep[] =>
  sheet.water
    ? [step(`step.measure.${house.measuring}`, { bulk_kg_m3: sheet.bulkDensity_kg_m3 })]
    : [step('step.measure.parts', { parts: (sheet.parts ?? []).join(' : ') })];

/** When it is hard enough to be rubbed or ground, s at the reference; at once where its sheet is silent. */
const readyToRub = ({ milestones }: Full['sheet']): number => milestones.grind ?? milestones.final ?? 0;

/** An interval of the sheet at the slab's temperature. */
const atSlab = (
  { sheet, slab_C, Ea_J_mol }: Full,
  interval: Interval | { readonly least_s: number; readonly most_s: null } | undefined,
): RepairStep['after'] => {
  if (!interval) return null;
  const k = rate({ temperature_C: slab_C, Ea_J_mol, reference_C: sheet.reference_C });
  return { least_s: interval.least_s / k, most_s: interval.most_s === null ? null : interval.most_s / k };
};

function lines(full: Full): RepairStep[] | null {
  const { finding, element, sheet, house, takeOff } = full;
  if (finding.kind === 'groove') {
    const width_m = finding.width.value;
    if (!movementOf(sheet)) return [step('step.fillJoint', { length_m: takeOff.length_m ?? 0 }, { sheetId: sheet.id })];
    return [
      step('step.groove', { width_m, passes: groovePasses({ groove_m: width_m, blade_m: finding.blade_m }), length_m: takeOff.length_m ?? 0 }),
      step('step.rod', { rod_m: TAKEOFF.rodOverJoint * width_m }),
      step('step.sealant', {}, { sheetId: sheet.id, thickness_m: TAKEOFF.sealantDepthShare * width_m, condition: 'dew' }),
    ];
  }
  if (finding.kind !== 'crack') return null;
  const width_m = meanWidth(finding.widths);
  const method = crackWay({ house, sheet, finding });
  if (method === 'rubIn' || method === 'openGroove') return [step(`step.${method}`, { least_m: CHOOSE.grains * sheet.grain_m }, { sheetId: sheet.id })];
  if (method === 'joint') return [step('step.cutJoint', { least_m: sheet.thickness.least_m }), step('step.sealant', {}, { sheetId: sheet.id })];
  const low = element.marks?.some(({ what }) => what === 'fall') ?? false;
  return [
    ...(low ? [step('step.dam', {})] : []),
    ...(method === 'bedAndCap' ? [step('step.sandBed', { cap_m: finding.cap_m })] : []),
    step(`step.crack.${method}`, { width_m, crown_m: TAKEOFF.crown_m }, { sheetId: sheet.id }),
    step('step.grindFlush', {}, { after: atSlab(full, { least_s: readyToRub(sheet), most_s: null }), condition: 'scratch' }),
  ];
}

function filling(full: Full): RepairStep[] {
  const { finding, takeOff, sheet, lifts, house } = full;
  const line = lines(full);
  if (line) return line;
  const placed = finding.kind === 'skim' ? 'step.spread' : finding.kind === 'void' ? 'step.pressIn' : 'step.lift';
  const each = Array.from({ length: lifts }, (_, i) =>
    step(
      placed,
      { lift: i + 1, lifts, count: lifts },
      {
        sheetId: sheet.id,
        thickness_m: takeOff.deepest_m / lifts,
        after: i > 0 ? atSlab(full, sheet.intervals?.layer) : (aidFor(full, 'bond')?.open ?? null),
        condition: i === 0 ? null : 'wetEdge',
      },
    ),
  );
  if (finding.kind !== 'step' && finding.kind !== 'edge') return each;
  const face = riserMethod(house, takeOff.deepest_m);
  return [step(`step.riser.${face}`, {}), ...each, ...(finding.kind === 'step' ? [step(`step.order.${house.stepOrder}`, {})] : [])];
}

function finishing(full: Full): RepairStep[] {
  const { element, finding, sheet } = full;
  if (finding.kind === 'crack' || finding.kind === 'groove') return [];
  // Under water nothing is smoothed and nothing is coated: touching it loosens it again.
  if (finding.kind === 'void') return [step('step.faceAbove', {})];
  const coat = aidFor(full, 'coat');
  const coatAfter = coat
    ? { least_s: Math.max(coat.waits_s, atSlab(full, sheet.intervals?.recoat)?.least_s ?? 0), most_s: null }
    : atSlab(full, sheet.intervals?.recoat);
  const high = standsHigh(full);
  const rub = sheet.milestones.grind ?? sheet.milestones.final;
  // As its surroundings are finished, where the sheet takes that.
  const texture = sheet.textures?.find((texture) => texture === element.texture) ?? sheet.textures?.[0];
  return [
    texture ? step('step.texture', { texture }) : step('step.finish', {}),
    ...(high && rub ? [step('step.rubFlush', { crown_m: CHOOSE.crown_m }, { after: atSlab(full, { least_s: rub, most_s: null }), condition: 'scratch' })] : []),
    ...(sheet.water && !full.covered ? [step('step.cure', {}, { sheetId: aidFor(full, 'cure')?.aidId ?? null, condition: 'afterSet' })] : []),
    ...((sheet.milestones.coat || coat) && !full.covered
      ? [step('step.coat', {}, { sheetId: coat?.aidId ?? null, after: coatAfter, condition: 'dryFace' })]
      : []),
  ];
}

/** Before an overlay: the fill has set, is rubbed and rinsed, and is covered inside its recoat window or keyed again. */
const readying = (full: Full): RepairStep[] =>
  full.covered
    ? [
        step(
          'step.overlayReady',
          {},
          { after: atSlab(full, full.sheet.intervals?.recoat ?? { least_s: readyToRub(full.sheet), most_s: null }), condition: 'keyAgain' },
        ),
      ]
    : [];

/** What the steps are told beside the finding: lifts, aids, the slab's temperature and how fast the sheet's times follow it. */
export interface Stepped extends Context {
  readonly lifts: number;
  readonly slab_C: number;
  readonly Ea_J_mol: number;
  readonly aids: readonly AidPlan[];
  /** an overlay follows: it is cured and coated in place of this */
  readonly covered: boolean;
}

interface Full extends Stepped {
  readonly house: HouseMethod;
}

/**
 * A repair as it is done, step by step: what is removed and to what profile, edge, moisture, reinforcement, bond, layers,
 * finish, cure and coat, each by the sheet and by the firm's own schools. Times are at the slab's temperature.
 */
export function stepsOf(context: Stepped): RepairStep[] {
  const full: Full = { ...context, house: houseOf(context.input.house) };
  return [
    ...removing(full),
    ...edging(full),
    ...wetting(full),
    ...reinforcing(full),
    ...bonding(full),
    ...measuring(full),
    ...filling(full),
    ...finishing(full),
    ...readying(full),
  ];
}
