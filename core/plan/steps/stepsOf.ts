import { bondOf, CHOOSE, isSoaked, type HouseMethod } from '../../choose';
import { MIX } from '../../mix';
import { isReady, isResin, type Covered } from '../../shelf';
import type { FindingInput } from '../../survey';
import { WEATHER } from '../../weather';
import { PLAN } from '../constants';
import type { AidRole } from '../input/PlanInput';
import { kindOf } from '../kinds';
import type { AidPlan } from '../Plan';
import { anchorCount } from './anchorCount';
import { atSlab, readyToRub } from './atSlab';
import { baseMoisture } from './baseMoisture';
import type { RepairStep, StepCondition } from './RepairStep';
import { stepOf } from './stepOf';
import type { Stepped } from './Stepped';
import { aidOf } from '../input/sheetOf';

function wetting(full: Stepped): RepairStep[] {
  const { element, sheet, house, slab_C } = full;
  const base = baseMoisture(full);
  if (isResin(sheet) || sheet.moisture === 'dry') return [stepOf('step.dry', { margin_K: WEATHER.dewMargin_K }, { condition: 'dew' })];
  if (base === 'dry') return [stepOf(isSoaked(element) ? 'step.dryForAgent' : 'step.notSoaked', {})];
  if (base === 'wet') return [];
  if (house.moisture === 'dry') return [stepOf('step.leftDry', {}, { condition: 'school' })];
  const wall = element.kind === 'wall' || element.kind === 'soffit';
  const hot = slab_C >= CHOOSE.hotWall_C;
  if ((house.moisture === 'dampWhenHot' || (house.moisture === 'byProduct' && wall)) && !hot) return [stepOf('step.dustDamp', {})];
  return [stepOf('step.soak', { soak_s: PLAN.soak_s, slab_C })];
}

/** Whether a firm puts fibre into what fills this. */
export const takesFibre = ({ reinforcement }: HouseMethod, finding: FindingInput): boolean => reinforcement === 'fibre' && kindOf(finding).reinforceable;

function reinforcing({ finding, element, takeOff, house }: Stepped): RepairStep[] {
  const kind = kindOf(finding);
  if (!kind.reinforceable) return [];
  const deep = takeOff.deepest_m >= CHOOSE.reinforceFrom_m;
  if (house.reinforcement === 'none' || (house.reinforcement === 'byDepth' && !deep)) return [];
  if (house.reinforcement === 'fibre') return [stepOf('step.fibre', {})];
  const carries = kind.carries || element.exposures.includes('wheels');
  return [stepOf(carries ? 'step.anchorsAsk' : 'step.anchors', { depth_m: takeOff.deepest_m, number: anchorCount(takeOff) }, { condition: 'licensed' })];
}

const aidFor = ({ aids }: Stepped, role: AidRole): AidPlan | undefined => aids.find((aid) => aid.role === role);

/** In which state an agent is covered; as its sheet says where it says nothing. */
const COVERED: Readonly<Record<Covered, StepCondition>> = { wet: 'coverWet', tacky: 'coverTacky', dry: 'coverDry' };

function bonding(full: Stepped): RepairStep[] {
  const { sheet, house } = full;
  const bond = bondOf(house, sheet);
  const sheetId = aidFor(full, 'bond')?.aidId ?? null;
  if (bond === 'scrub') return [stepOf('step.bond.scrub', {}, { sheetId: sheet.id, thickness_m: MIX.slurryLayer_m, condition: 'coverWet' })];
  if (bond === 'slurry') return [stepOf('step.bond.slurry', {}, { sheetId, thickness_m: MIX.slurryLayer_m, condition: 'coverWet' })];
  if (bond !== 'agent') return [];
  const agent = aidOf(full.input, sheetId);
  return [stepOf('step.bond.agent', {}, { sheetId, condition: agent?.open && agent.covered ? COVERED[agent.covered] : 'coverTacky' })];
}

/** By weight, or in vessels by the loose powder's density. */
const measuring = ({ sheet, house }: Stepped): RepairStep[] =>
  isReady(sheet)
    ? []
    : sheet.water
      ? [stepOf(`step.measure.${house.measuring}`, { bulk_kg_m3: sheet.bulkDensity_kg_m3 })]
      : [stepOf('step.measure.parts', { parts: (sheet.parts ?? []).join(' : ') })];

/** Before an overlay: the fill has set, is rubbed and rinsed, and is covered inside its recoat window or keyed again. */
const readying = (full: Stepped): RepairStep[] =>
  full.covered
    ? [
        stepOf(
          'step.overlayReady',
          {},
          { after: atSlab(full, full.sheet.intervals?.recoat ?? { least_s: readyToRub(full.sheet), most_s: null }), condition: 'keyAgain' },
        ),
      ]
    : [];

/** What a saw does before anything is broken out. */
const SAWN: readonly RepairStep['code'][] = ['step.shoulder', 'step.cutToe'];

/**
 * A repair as it is done, step by step: what is removed and to what profile, edge, moisture, reinforcement, bond, layers,
 * finish, cure and coat, each by the sheet and by the firm's own schools. Times are at the slab's temperature.
 */
export function stepsOf(context: Stepped): RepairStep[] {
  const kind = kindOf(context.finding);
  if (!kind.onBase(context.finding)) return [...kind.removing(context), ...measuring(context), ...kind.filling(context), ...kind.finishing(context)];
  const edging = kind.edging(context);
  // A shoulder and a toe are sawn before anything is broken out; a rim is keyed or brushed clean after it.
  const sawn = edging.filter(({ code }) => SAWN.includes(code));
  return [
    ...(context.over === 'patch' ? [] : sawn),
    // A fill is rubbed and rinsed before its overlay; no base is left to be prepared.
    ...(context.over === 'patch' ? [] : kind.removing(context)),
    ...edging.filter((step) => !sawn.includes(step)),
    ...wetting(context),
    ...reinforcing(context),
    ...bonding(context),
    ...measuring(context),
    ...kind.filling(context),
    ...kind.finishing(context),
    ...readying(context),
  ];
}
