import type { LifeExpected, Reason } from '../../choose';
import type { OnSite } from '../../day';
import { rangedOf, rangedSum, sigmaOf, type Ranged } from '../../quantity';
import type { PlanInput, TreatmentInput } from '../input/PlanInput';
import { PLAN } from '../constants';
import type { SystemCost } from '../systems/systemCost';

/** Ways of doing the whole job that are compared. */
export const SYSTEM_CODES = ['chosen', 'cheapest', 'soonest', 'own', 'phases', 'now', 'replace'] as const;
/** What a system is: as chosen, the cheapest that fits, the one that opens first, one put together by hand, each phase for itself, everything at once, all of it new. */
export type SystemCode = (typeof SYSTEM_CODES)[number];

/** One way of doing the whole job: a treatment for every finding. */
export interface SystemInput {
  readonly code: SystemCode;
  readonly treatments: readonly TreatmentInput[];
}

/** What a system takes and gives. */
export interface SystemOutcome {
  readonly code: SystemCode;
  readonly cost: SystemCost;
  /** the whole cost with its P10 and P90, minor units */
  readonly total: Ranged;
  /** each hand's hours on site, and how many hands, s */
  readonly hand_s: number;
  readonly hands: number;
  readonly waited_s: number;
  readonly days: number;
  readonly trips: number;
  /** from the first arrival until it carries what is asked, s of the calendar; null where its sheet is silent */
  readonly opens_s: number | null;
  /** the worst batch's chance of being lost; null where nothing is mixed on site */
  readonly chanceLost: number | null;
  readonly life: LifeExpected;
  readonly verdict: Reason['verdict'];
  /** what stands against it, and what waiting risks */
  readonly reasons: readonly Reason[];
  readonly price_minor: number;
  readonly margin_minor: number;
}

/** What a system is before it is sold. */
export type SystemPart = Omit<SystemOutcome, 'code' | 'price_minor' | 'margin_minor'>;

/** The hours of a crew on site, as a system tells them. */
export const hoursOf = (
  { hand_s, waited_s, days, trips }: OnSite,
  { crew: { hands } }: PlanInput,
): Pick<SystemPart, 'hand_s' | 'waited_s' | 'days' | 'trips' | 'hands'> => ({
  hand_s,
  waited_s,
  days,
  trips,
  hands,
});

/** The parts that nobody knows for certain carry their ranges: material by its volumes, hours by the constants. */
export function totalOf(cost: SystemCost, materials: readonly Ranged[]): Ranged {
  const fixed = cost.total_minor - cost.labour_minor - materials.reduce((sum, { p50 }) => sum + p50, 0);
  return rangedSum([...materials, rangedOf(cost.labour_minor, sigmaOf(PLAN.labourSpread)), { p10: fixed, p50: fixed, p90: fixed }]);
}
