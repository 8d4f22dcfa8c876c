import type { FirmData } from '@tufa/contract/entities';
import type { Batch, Plan, PlanInput } from '@tufa/core/plan';
import { BatchClock, listedNumber, type BatchState } from '@tufa/core/pour';
import { readPlan } from './readPlan';

/** A batch as the plan it was started by has it, with what that was made from: later readings do not move a running clock. Null where it cannot be read. */
export function batchOfPlan(
  data: FirmData,
  { planId, findingId, batch, key }: Pick<BatchState, 'planId' | 'findingId' | 'batch' | 'key'>,
): { batch: Batch; plan: Plan; input: PlanInput; count: number } | null {
  const row = data.plan[planId];
  const read = row ? readPlan(row) : null;
  if (!read) return null;
  const { batches } = read.plan;
  const number = listedNumber(batch);
  const of = batches.filter(({ serves }) => serves.some((served) => served.findingId === findingId && served.role === 'fill'));
  // What was logged before there was a list was counted finding by finding.
  const found = key ? batches.find((listed) => listed.key === key) : (of[Number(number) - 1] ?? of.at(-1));
  const listed = found ?? of[0] ?? batches.find((other) => other.number === number);
  return listed ? { batch: listed, plan: read.plan, input: read.input, count: batches.length } : null;
}

/** The clock of a batch and its plan; null for what has none. */
export function clockOf(
  data: FirmData,
  state: BatchState,
): { clock: BatchClock; planned: Batch; list: readonly Batch[]; input: PlanInput; count: number } | null {
  const found = batchOfPlan(data, state);
  if (!found?.batch.window) return null;
  const { window } = found.batch;
  const initial_s = window.milestones.find(({ name }) => name === 'initial')?.after_s ?? window.window.finishBy_s;
  const placed_s = state.placedAt === null ? null : Math.max(0, (state.placedAt - state.startedAt) / 1000);
  return { clock: new BatchClock(window.basis, placed_s, initial_s), planned: found.batch, list: found.plan.batches, input: found.input, count: found.count };
}
