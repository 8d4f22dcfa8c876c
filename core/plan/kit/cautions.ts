import type { Figures } from '../../quantity';
import { isResin, type Aid, type Hazard, type Sheet } from '../../shelf';
import { TAKEOFF } from '../../takeoff';
import type { Plan } from '../Plan';
import type { PlanInput } from '../input/PlanInput';
import { asksOf, kindOf } from '../kinds';
import type { Tool } from '../steps/STEPS';
import { toolsOf } from '../steps/toolsOf';
import type { TakeOff } from '../survey/TakeOff';
import { mixedOfPlan } from '../systems/mixedOf';
import { vibrationOf } from './vibrationOf';

/** Where a caution bites. */
export type CautionScreen = 'walk' | 'fix' | 'mix' | 'day' | 'pour' | 'record';

/** What to take care of, where, and when it is said. */
export interface Caution {
  readonly code: string;
  readonly screen: CautionScreen;
  /** must be acknowledged before the screen's main action, and who did is recorded */
  readonly acknowledge: boolean;
  readonly trigger: (context: { input: PlanInput; plan: Plan }) => boolean;
  /** what its sentence names, SI */
  readonly figures?: (context: { input: PlanInput; plan: Plan }) => Figures;
}

/** Of a job file each of what is mixed, fills and what lies over them, and of what bonds, cures and coats it. */
interface Chosen {
  readonly input: PlanInput;
  readonly sheets: readonly Sheet[];
  readonly aids: readonly Aid[];
}
const ofPlans = new WeakMap<Plan, Chosen>();

/** Looked up once for each plan: most cautions ask for it. */
function chosenIn({ input, plan }: { input: PlanInput; plan: Plan }): Chosen {
  const known = ofPlans.get(plan);
  if (known?.input === input) return known;
  const mixed = mixedOfPlan(plan.findings);
  const sheetIds = new Set(mixed.map(({ sheetId }) => sheetId));
  const aidIds = new Set(mixed.flatMap(({ aids }) => aids.map(({ aidId }) => aidId)));
  const chosen = { input, sheets: input.sheets.filter(({ id }) => sheetIds.has(id)), aids: (input.aids ?? []).filter(({ id }) => aidIds.has(id)) };
  ofPlans.set(plan, chosen);
  return chosen;
}

const chosenSheets = (context: { input: PlanInput; plan: Plan }): readonly Sheet[] => chosenIn(context).sheets;

/** Of what is mixed, and of what bonds, cures and coats it. */
const bites = (hazard: Hazard, context: { input: PlanInput; plan: Plan }): boolean => {
  const { sheets, aids } = chosenIn(context);
  return [...sheets, ...aids].some(({ hazards }) => hazards.includes(hazard));
};

/** A step of a chosen system that wants one of these tools. */
const works = ({ plan }: { plan: Plan }, ...tools: readonly Tool[]): boolean =>
  mixedOfPlan(plan.findings).some(({ steps }) => toolsOf(steps).some((tool) => tools.includes(tool)));

/** Forms that are chosen: what keeps them down, and what a prop bears, of the heaviest. */
const formed = ({ plan }: { plan: Plan }): readonly TakeOff[] =>
  plan.findings
    .filter(({ chosen, takeOff }) => chosen?.steps.some(({ code }) => code === 'step.riser.formed') && takeOff.more['holdDown_kg'] !== undefined)
    .map(({ takeOff }) => takeOff);

const underWater = ({ input: { findings, elements } }: { input: PlanInput }): boolean =>
  findings.some((finding) => asksOf(finding).underWater || elements.some(({ id, exposures }) => id === finding.elementId && exposures.includes('immersion')));

const always = (): boolean => true;
const stopped = ({ plan }: { plan: Plan }): boolean => plan.elements.some(({ verdict }) => verdict.code === 'stop');

/** Whether a kind of damage that was found brings it. */
const found = (code: 'vibrationNoise' | 'extraWeight', { findings }: PlanInput): boolean =>
  findings.some((finding) => kindOf(finding).cautions(finding).includes(code));

/** Every caution, where it bites. A test walks this table. */
export const CAUTIONS: readonly Caution[] = [
  { code: 'oldCoatings', screen: 'walk', acknowledge: true, trigger: ({ input }) => input.findings.length > 0 },
  { code: 'licensedEngineer', screen: 'walk', acknowledge: false, trigger: stopped },
  {
    code: 'silicaDust',
    screen: 'fix',
    acknowledge: true,
    trigger: ({ plan }) =>
      plan.findings.some(({ elementId }) => plan.elements.some((element) => element.elementId === elementId && element.stops.length === 0)),
  },
  {
    code: 'vibrationNoise',
    screen: 'fix',
    acknowledge: false,
    trigger: ({ input }) => found('vibrationNoise', input),
  },
  {
    code: 'vibration',
    screen: 'fix',
    acknowledge: false,
    trigger: ({ input, plan }) => vibrationOf(input, plan) !== null,
    figures: ({ input, plan }) => {
      const { trigger_s = 0, action_share = 0, strongest_s = 0 } = vibrationOf(input, plan) ?? {};
      return { trigger_s, action_share, strongest_s };
    },
  },
  { code: 'blades', screen: 'fix', acknowledge: false, trigger: (context) => works(context, 'saw', 'blade', 'grinder') },
  { code: 'electrical', screen: 'fix', acknowledge: false, trigger: (context) => works(context, 'saw', 'breaker', 'drillBits') },
  { code: 'diving', screen: 'fix', acknowledge: true, trigger: underWater },
  { code: 'confinedSpace', screen: 'fix', acknowledge: true, trigger: underWater },
  { code: 'extraWeight', screen: 'fix', acknowledge: false, trigger: ({ input }) => found('extraWeight', input) },
  { code: 'wetCement', screen: 'mix', acknowledge: true, trigger: (context) => bites('wetCement', context) },
  { code: 'powderDust', screen: 'mix', acknowledge: false, trigger: (context) => bites('silica', context) },
  { code: 'resinSensitises', screen: 'mix', acknowledge: true, trigger: (context) => bites('sensitiser', context) },
  { code: 'vapours', screen: 'mix', acknowledge: false, trigger: (context) => bites('solvent', context) },
  {
    code: 'flames',
    screen: 'mix',
    acknowledge: false,
    trigger: (context) => bites('solvent', context) || chosenSheets(context).some(isResin) || context.input.batch.fibre !== undefined,
  },
  { code: 'massHeats', screen: 'mix', acknowledge: false, trigger: (context) => chosenSheets(context).some(({ binder }) => binder !== 'portland') },
  {
    code: 'lifting',
    screen: 'mix',
    acknowledge: false,
    trigger: (context) => chosenSheets(context).some(({ packs }) => packs.some(({ mass_kg }) => mass_kg >= 20)),
  },
  { code: 'toolsNearWater', screen: 'mix', acknowledge: false, trigger: (context) => chosenSheets(context).length > 0 },
  { code: 'overDose', screen: 'day', acknowledge: false, trigger: ({ input }) => input.batch.retarderDose > 0 },
  { code: 'handDecides', screen: 'day', acknowledge: false, trigger: (context) => chosenSheets(context).length > 0 },
  {
    code: 'formWeight',
    screen: 'pour',
    acknowledge: false,
    trigger: (context) => formed(context).length > 0,
    figures: (context) => ({
      holdDown_kg: Math.max(...formed(context).map(({ more }) => more['holdDown_kg'] ?? 0)),
      prop_kg: Math.max(...formed(context).map(({ more }) => (more['prop_N'] ?? 0) / TAKEOFF.gravity_m_s2)),
    }),
  },
  { code: 'publicAccess', screen: 'pour', acknowledge: false, trigger: always },
  { code: 'washWater', screen: 'pour', acknowledge: false, trigger: always },
  { code: 'localCode', screen: 'record', acknowledge: false, trigger: always },
];

/** The cautions that bite on a screen for this plan. */
export const cautionsOn = (screen: CautionScreen, context: { input: PlanInput; plan: Plan }): Caution[] =>
  CAUTIONS.filter((caution) => caution.screen === screen && caution.trigger(context));
