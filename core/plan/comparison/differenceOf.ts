import type { Plan, StageHashes } from '../Plan';

/** What of a plan people hold on to, before and after. */
export interface PlanDifference {
  readonly bad_m2: readonly [number, number];
  /** packages to buy */
  readonly packages: readonly [number, number];
  readonly batches: readonly [number, number];
  /** from the first water to the last finish, one batch after the other, s */
  readonly work_s: readonly [number, number];
  readonly cost_minor: readonly [number, number];
}

/** Whether what was surveyed or chosen has changed under a plan; the weather, prices and the crew's record only offer a new one. */
export const isStale = (planned: StageHashes, now: StageHashes): boolean => planned.takeOff !== now.takeOff || planned.layers !== now.layers;

const sums = (plan: Plan) => {
  const clocked = plan.batches.flatMap(({ window, shots }) => (window ? [{ window, count: shots?.count ?? 1 }] : []));
  return {
    bad_m2: plan.elements.reduce((sum, { bad_m2 }) => sum + bad_m2, 0),
    packages: plan.orders.reduce((sum, order) => sum + order.chosen.packages.reduce((all, { count }) => all + count, 0), 0),
    batches: clocked.reduce((sum, { count }) => sum + count, 0),
    work_s: clocked.reduce((sum, { window, count }) => sum + count * window.window.finishNeeds_s, 0),
    cost_minor: plan.orders.reduce((sum, order) => sum + order.chosen.cost_minor, 0) + plan.aids.reduce((sum, { cost_minor }) => sum + cost_minor, 0),
  };
};

/** One plan against another: what a finding found later costs. */
export function differenceOf({ before, after }: { before: Plan; after: Plan }): PlanDifference {
  const [a, b] = [sums(before), sums(after)];
  return {
    bad_m2: [a.bad_m2, b.bad_m2],
    packages: [a.packages, b.packages],
    batches: [a.batches, b.batches],
    work_s: [a.work_s, b.work_s],
    cost_minor: [a.cost_minor, b.cost_minor],
  };
}
