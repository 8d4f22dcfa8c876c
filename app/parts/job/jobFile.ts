import { assemblePlanInput } from '@tufa/contract/assemble';
import type { FirmData } from '@tufa/contract/entities';
import type { PlanInput } from '@tufa/core/plan';

const files = new WeakMap<FirmData, Map<string, PlanInput | null>>();

/** A job's file is put together once for each state of the firm's rows, whichever screens ask: what is worked out from it stays with it. */
export function jobFile(data: FirmData, jobId: string): PlanInput | null {
  const byJob = files.get(data) ?? new Map<string, PlanInput | null>();
  files.set(data, byJob);
  if (!byJob.has(jobId)) byJob.set(jobId, assemblePlanInput(data, jobId));
  return byJob.get(jobId) ?? null;
}
