import type { FirmData, RowOf } from '@tufa/contract/entities';
import { upgradePlan } from '@tufa/contract/upgradePlan';
import { computePlan, type Batch, type Plan, type PlanInput } from '@tufa/core/plan';
import { isExtra, listedNumber, type BatchState, type PourEvent } from '@tufa/core/pour';
import type { Speaker } from '@tufa/words';

/** What a job's documents are made from. */
export interface JobParts {
  readonly speaker: Speaker;
  readonly data: FirmData;
  readonly job: RowOf<'job'>;
  readonly input: PlanInput;
  readonly plan: Plan;
  readonly events: readonly PourEvent[];
  readonly batches: readonly BatchState[];
  /** pictures by id as data URLs, those that are shown */
  readonly pictures: ReadonlyMap<string, string>;
}

/** A batch as it went, with the plan it was poured by; null where another release made that. */
export interface PouredPart {
  readonly state: BatchState;
  readonly planned: { readonly batch: Batch; readonly plan: Plan; readonly input: PlanInput } | null;
}

/** Batches in the order in which they were begun, each with its plan. */
export function pouredOf({ data, batches }: Pick<JobParts, 'data' | 'batches'>): PouredPart[] {
  const plans = new Map<string, { readonly plan: Plan; readonly input: PlanInput } | null>();
  const readBy = (planId: string) => {
    const known = plans.get(planId);
    if (known !== undefined) return known;
    let made: { readonly plan: Plan; readonly input: PlanInput } | null = null;
    try {
      const row = data.plan[planId];
      const input = row && upgradePlan(row.input);
      made = input ? { input, plan: computePlan(input, { ranked: 'chosen' }) } : null;
    } catch {
      // What another release has made otherwise is told as it was logged.
    }
    plans.set(planId, made);
    return made;
  };
  return batches.map((state) => {
    const read = readBy(state.planId);
    const number = listedNumber(state.batch);
    const batch = read?.plan.batches.find((listed) => (state.key && !isExtra(state.batch) ? listed.key === state.key : listed.number === number));
    return { state, planned: read && batch ? { batch, plan: read.plan, input: read.input } : null };
  });
}
