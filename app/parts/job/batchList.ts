import { numbered } from '@tufa/core/batches';
import type { Batch, Plan } from '@tufa/core/plan';
import { chalkedOf, type PourEvent } from '@tufa/core/pour';

const lists = new WeakMap<Plan, { readonly events: readonly PourEvent[]; readonly list: readonly Batch[] }>();

/** The batch list of a plan with the numbers that are chalked already, once for each state of the pour. */
export function listOf({ plan, events }: { readonly plan: Plan; readonly events: readonly PourEvent[] }): readonly Batch[] {
  const known = lists.get(plan);
  if (known?.events === events) return known.list;
  const list = numbered(plan.batches, chalkedOf(events));
  lists.set(plan, { events, list });
  return list;
}

/** A batch that is started with a tap: also what is brushed from its tin, whose wait has a clock. */
export const isStarted = ({ fits }: Batch): boolean => fits;

/** The layer that a batch begins with. */
export const firstServed = (batch: Batch): Batch['serves'][number] => batch.serves[0]!;
