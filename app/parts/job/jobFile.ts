import { assemblePlanInput } from '@tufa/contract/assemble';
import type { FirmData } from '@tufa/contract/entities';
import type { PlanInput } from '@tufa/core/plan';
import { replaceEqualDeep } from '@tanstack/query-core';

const files = new WeakMap<FirmData, Map<string, PlanInput | null>>();
/** What was put together last of each job. */
const last = new Map<string, PlanInput>();

/**
 * A job's file is put together once for each state of the firm's rows, whichever screens ask. What changes nothing of it
 * (a tap of the pour, a bar that was moved) leaves it the very same, with all that was worked out from it.
 */
export function jobFile(data: FirmData, jobId: string): PlanInput | null {
  const byJob = files.get(data) ?? new Map<string, PlanInput | null>();
  files.set(data, byJob);
  if (!byJob.has(jobId)) {
    const fresh = assemblePlanInput(data, jobId);
    const file = fresh && (replaceEqualDeep(last.get(jobId), fresh) as PlanInput);
    if (file) last.set(jobId, file);
    byJob.set(jobId, file);
  }
  return byJob.get(jobId) ?? null;
}
