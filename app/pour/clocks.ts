import type { FirmData } from '@tufa/contract/entities';
import { batchAt, type ChosenPlan, type PlanInput } from '@tufa/core/plan';
import { BatchClock, type BatchState } from '@tufa/core/pour';
import { readPlan } from './readPlan';

/** The plan a batch was started by, computed from its stored input: later readings do not move a running clock. Null where it cannot be read. */
export function chosenOfPlan(data: FirmData, planId: string, findingId: string): { chosen: ChosenPlan; input: PlanInput } | null {
  const row = data.plan[planId];
  const read = row ? readPlan(row) : null;
  const chosen = read?.plan.findings.find((finding) => finding.findingId === findingId)?.chosen;
  return read && chosen ? { chosen, input: read.input } : null;
}

/** The clock of a batch and its plan. */
export function clockOf(data: FirmData, batch: BatchState): { clock: BatchClock; chosen: ChosenPlan; input: PlanInput; ticket: ChosenPlan['ticket'] } | null {
  const planned = chosenOfPlan(data, batch.planId, batch.findingId);
  if (!planned) return null;
  const { window, ticket } = batchAt(planned.chosen, Number(batch.batch));
  const initial_s = window.milestones.find(({ name }) => name === 'initial')?.after_s ?? window.window.finishBy_s;
  const placed_s = batch.placedAt === null ? null : Math.max(0, (batch.placedAt - batch.startedAt) / 1000);
  return { clock: new BatchClock(window.basis, placed_s, initial_s), ticket, ...planned };
}
