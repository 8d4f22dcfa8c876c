import type { RowOf } from '@tufa/contract/entities';
import { upgradePlan } from '@tufa/contract/upgradePlan';
import { computePlan, type Plan, type PlanInput } from '@tufa/core/plan';

/** A stored plan as this release reads it. */
export interface ReadPlan {
  readonly input: PlanInput;
  readonly plan: Plan;
}

const read = new WeakMap<object, ReadPlan | null>();

/** A stored plan's figures; null where this release cannot read what another has made it from. */
export function readPlan(row: RowOf<'plan'>): ReadPlan | null {
  const known = read.get(row);
  if (known !== undefined) return known;
  let made: ReadPlan | null = null;
  try {
    const input = upgradePlan(row.input);
    made = { input, plan: computePlan(input, { ranked: 'chosen' }) };
  } catch {
    // Whatever another release has left out or called otherwise: its card says that it cannot be read.
  }
  read.set(row, made);
  return made;
}
