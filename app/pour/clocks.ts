import type { FirmData } from '@tufa/contract/entities';
import type { Batch, Plan, PlanInput } from '@tufa/core/plan';
import { BatchClock, listedNumber, type BatchState } from '@tufa/core/pour';
import { readPlan } from './readPlan';

interface BatchIndex {
  readonly byKey: ReadonlyMap<string, Batch>;
  readonly byNumber: ReadonlyMap<string, Batch>;
  /** what fills each finding, in its order */
  readonly fills: ReadonlyMap<string, readonly Batch[]>;
}

const indexes = new WeakMap<Plan, BatchIndex>();

/** The batches of a plan by what they are looked for, once for each plan: a record asks for hundreds. */
function indexOf(plan: Plan): BatchIndex {
  const known = indexes.get(plan);
  if (known) return known;
  const fills = new Map<string, Batch[]>();
  for (const batch of plan.batches)
    for (const findingId of new Set(batch.serves.flatMap((served) => (served.role === 'fill' ? [served.findingId] : [])))) {
      const fill = fills.get(findingId);
      if (fill) fill.push(batch);
      else fills.set(findingId, [batch]);
    }
  // The first of a key or a number is meant.
  const first = (of: 'key' | 'number') => new Map([...plan.batches].reverse().map((batch) => [batch[of], batch]));
  const index = { byKey: first('key'), byNumber: first('number'), fills };
  indexes.set(plan, index);
  return index;
}

/** A batch as the plan it was started by has it, with what that was made from: later readings do not move a running clock. Null where it cannot be read. */
export function batchOfPlan(
  data: FirmData,
  { planId, findingId, batch, key }: Pick<BatchState, 'planId' | 'findingId' | 'batch' | 'key'>,
): { batch: Batch; plan: Plan; input: PlanInput; count: number } | null {
  const row = data.plan[planId];
  const read = row ? readPlan(row) : null;
  if (!read) return null;
  const { byKey, byNumber, fills } = indexOf(read.plan);
  const number = listedNumber(batch);
  const of = fills.get(findingId) ?? [];
  // What was logged before there was a list was counted finding by finding.
  const found = key ? byKey.get(key) : (of[Number(number) - 1] ?? of.at(-1));
  const listed = found ?? of[0] ?? byNumber.get(number);
  return listed ? { batch: listed, plan: read.plan, input: read.input, count: read.plan.batches.length } : null;
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
