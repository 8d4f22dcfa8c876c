import { judgeAid, type AidJudged } from '../../choose';
import { costOf, packagesLeastCost, quantileOf } from '../../mix';
import { RANGE, rangedSum, type Ranged } from '../../quantity';
import { rate, SETTING } from '../../setting';
import type { Aid } from '../../shelf';
import type { Context } from '../input/Context';
import { kindOf } from '../kinds';
import { aidClasses } from './aidClasses';
import type { AidOrder, AidPlan, ChosenPlan } from '../Plan';
import { AID_ROLES, type AidRole, type PlanInput } from '../input/PlanInput';
import { knownAid } from '../input/sheetOf';

interface Asked extends Pick<Context, 'input' | 'element' | 'finding' | 'sheet' | 'treatment'> {
  readonly air_C: number;
  readonly slab_C: number;
  readonly humidity: number;
}

/** How an aid stands to what it would do here. */
export function judgedAid(asked: Asked, role: AidRole, aid: Aid): AidJudged {
  const { finding, air_C, slab_C, humidity, treatment } = asked;
  const onMix = role !== 'bond' && (kindOf(finding).covers || treatment?.overlay !== undefined);
  const element = onMix ? { ...asked.element, material: 'concrete' as const } : asked.element;
  // What is overlaid is cured on its overlay: only a coat lies on a cure.
  const covered = role === 'cure' && treatment?.aids?.coat !== undefined;
  return judgeAid({ aid, element, air_C, slab_C, humidity, covered, wanted: aidClasses(asked, role) });
}

/** The aids of a treatment: how they stand, how much of each, how long each may wait at the slab's temperature. */
export function aidsOf(context: Context & Omit<Asked, keyof Context>): AidPlan[] {
  const { input, takeOff, treatment, slab_C } = context;
  return AID_ROLES.flatMap((role): AidPlan[] => {
    const id = treatment?.aids?.[role];
    if (!id) return [];
    const aid = knownAid(input, id);
    // A rough base drinks as much as the label's worst surface, a tight one as little as its best.
    const cover = aid.coverage_m2;
    const area_m2 = takeOff.area_m2;
    const waste = 1 + input.firm.medianWaste;
    const amount: Ranged = cover
      ? { p10: (area_m2 / cover.most_m2) * waste, p50: (area_m2 / Math.sqrt(cover.least_m2 * cover.most_m2)) * waste, p90: (area_m2 / cover.least_m2) * waste }
      : { p10: 0, p50: 0, p90: 0 };
    const k = rate({ temperature_C: slab_C, Ea_J_mol: SETTING.aidEa_J_mol, reference_C: aid.reference_C });
    const open = aid.open && { least_s: aid.open.least_s / k, most_s: aid.open.most_s / k };
    return [{ role, ...judgedAid(context, role, aid), area_m2, amount, open, waits_s: aid.waits_s }];
  });
}

/** What is bought of every aid for the whole job, packages rounded once. */
export function aidOrders(input: PlanInput, mixed: readonly ChosenPlan[]): AidOrder[] {
  const all = mixed.flatMap(({ aids }) => aids.filter(({ verdict }) => verdict !== 'no'));
  return [...new Set(all.map(({ aidId }) => aidId))].map((aidId) => {
    const aid = knownAid(input, aidId);
    const amount = rangedSum(all.filter((aid) => aid.aidId === aidId).map((aid) => aid.amount));
    const sigma = amount.p50 > 0 ? Math.log(amount.p90 / amount.p50) / RANGE.z10 : 0;
    const need = amount.p50 > 0 ? quantileOf({ p50: amount.p50, sigma, quantile: input.firm.orderQuantile }) : 0;
    const packages = packagesLeastCost({ need_kg: need, packs: aid.packs.map(({ amount: mass_kg, price_minor }) => ({ mass_kg, price_minor })) });
    return { aidId, amount, packages: packages.map(({ mass_kg, ...rest }) => ({ amount: mass_kg, ...rest })), cost_minor: costOf(packages) };
  });
}
