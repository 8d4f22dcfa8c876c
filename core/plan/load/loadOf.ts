import type { AidOrder, FindingPlan, ProductOrder } from '../Plan';
import { computePlan } from '../computePlan';
import type { PlanInput } from '../input/PlanInput';
import { aidOrders } from '../orders/aidsOf';
import { extrasOf, type Extra } from '../orders/extrasOf';
import { ordersOf } from '../orders/orders';
import { mixedOfPlan } from '../systems/mixedOf';

/** What several jobs take together: bought once, packs rounded once, the yard's stock counted once. */
export interface Load {
  /** the shelf of all of them, to name what is loaded */
  readonly input: PlanInput;
  readonly orders: readonly ProductOrder[];
  readonly aids: readonly AidOrder[];
  readonly extras: readonly Extra[];
}

const byId = <T extends { readonly id: string }>(all: readonly T[]): T[] => [...new Map(all.map((each) => [each.id, each])).values()];

/**
 * One load for several jobs of a firm.
 *
 * @param inputs at least one; firm and stock are the first one's
 * @throws Problem as `computePlan`
 */
export function loadOf([first, ...others]: readonly [PlanInput, ...PlanInput[]]): Load {
  const all = [first, ...others];
  const input: PlanInput = { ...first, sheets: byId(all.flatMap(({ sheets }) => sheets)), aids: byId(all.flatMap(({ aids = [] }) => aids)) };
  // What is refused is not bought.
  const findings = all.flatMap((job): FindingPlan[] => computePlan(job, { ranked: 'chosen' }).findings.filter(({ chosen }) => chosen?.refused.length === 0));
  const mixed = mixedOfPlan(findings);
  return { input, orders: ordersOf(input, mixed), aids: aidOrders(input, mixed), extras: extrasOf(findings) };
}
