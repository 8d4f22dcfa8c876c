import type { Hazard } from '../../shelf';
import type { Plan } from '../Plan';
import type { PlanInput } from '../input/PlanInput';
import { kindOf } from '../kinds';
import { mixedOfPlan } from '../systems/mixedOf';

/** Where a caution bites. */
export type CautionScreen = 'walk' | 'fix' | 'mix' | 'day' | 'pour' | 'record';

/** What to take care of, where, and when it is said. */
export interface Caution {
  readonly code: string;
  readonly screen: CautionScreen;
  /** must be acknowledged before the screen's main action, and who did is recorded */
  readonly acknowledge: boolean;
  readonly trigger: (context: { input: PlanInput; plan: Plan }) => boolean;
}

/** What is mixed: fills and what lies over them. */
const chosenSheets = ({ input, plan }: { input: PlanInput; plan: Plan }) =>
  mixedOfPlan(plan.findings).flatMap(({ sheetId }) => input.sheets.filter(({ id }) => id === sheetId));

/** Of what is mixed, and of what bonds, cures and coats it. */
const bites = (hazard: Hazard, { input, plan }: { input: PlanInput; plan: Plan }): boolean => {
  const aids = mixedOfPlan(plan.findings).flatMap(({ aids: chosen }) => (input.aids ?? []).filter(({ id }) => chosen.some(({ aidId }) => aidId === id)));
  return [...chosenSheets({ input, plan }), ...aids].some(({ hazards }) => hazards.includes(hazard));
};

const always = (): boolean => true;
const stopped = ({ plan }: { plan: Plan }): boolean => plan.elements.some(({ verdict }) => verdict.code === 'stop');

/** Whether a kind of damage that was found brings it. */
const found = (code: 'vibrationNoise' | 'extraWeight', { findings }: PlanInput): boolean =>
  findings.some((finding) => kindOf(finding).cautions(finding).includes(code));

/** Every caution of the slice, where it bites. A test walks this table. */
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
  { code: 'extraWeight', screen: 'fix', acknowledge: false, trigger: ({ input }) => found('extraWeight', input) },
  { code: 'wetCement', screen: 'mix', acknowledge: true, trigger: (context) => bites('wetCement', context) },
  { code: 'powderDust', screen: 'mix', acknowledge: false, trigger: (context) => bites('silica', context) },
  { code: 'resinSensitises', screen: 'mix', acknowledge: true, trigger: (context) => bites('sensitiser', context) },
  { code: 'vapours', screen: 'mix', acknowledge: false, trigger: (context) => bites('solvent', context) },
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
  { code: 'publicAccess', screen: 'pour', acknowledge: false, trigger: always },
  { code: 'washWater', screen: 'pour', acknowledge: false, trigger: always },
  { code: 'localCode', screen: 'record', acknowledge: false, trigger: always },
];

/** The cautions that bite on a screen for this plan. */
export const cautionsOn = (screen: CautionScreen, context: { input: PlanInput; plan: Plan }): Caution[] =>
  CAUTIONS.filter((caution) => caution.screen === screen && caution.trigger(context));
