import type { RowOf } from '@tufa/contract/entities';
import { CORE_VERSION, differenceOf, hashesOf, isStale, namedOnly, type Plan, type PlanDifference, type PlanInput } from '@tufa/core/plan';
import { v7 as uuid } from 'uuid';
import { change, write, type Change } from '../outbox/useFirm';
import type { JobView } from '../parts/job/useJob';
import { sheetOf } from '@tufa/core/plan';
import { readPlan } from './readPlan';

/** Plans that only a ticket or a label was written by: nothing is poured by them, so that they never stand against a newer one. */
function onlyChalked({ events }: JobView): ReadonlySet<string> {
  const chalked = new Set(events.filter(({ kind }) => kind === 'chalked').map(({ planId }) => planId));
  for (const { kind, planId } of events) if (kind !== 'chalked') chalked.delete(planId);
  return chalked;
}

/** The plan the last pour named, the newest of its job. */
function latestPlan(view: JobView): RowOf<'plan'> | undefined {
  const chalked = onlyChalked(view);
  return Object.values(view.data.plan)
    .filter(({ id, jobId }) => jobId === view.job.id && !chalked.has(id))
    .sort((a, b) => (a.id < b.id ? 1 : -1))[0];
}

/** The present plan as a row of its own: what it was made from, without the rest of the shelf. */
export const planAdd = (view: JobView, id: string, input: PlanInput): Change =>
  change('plan', 'add', id, {
    jobId: view.job.id,
    input: namedOnly(input),
    hashes: hashesOf(input),
    coreVersion: CORE_VERSION,
    seed: 1,
    replaces: latestPlan(view)?.id ?? null,
  });

/** A plan in use, and what the survey makes of it now. */
export interface Stale {
  readonly row: RowOf<'plan'>;
  readonly input: PlanInput;
  readonly plan: Plan;
  readonly difference: PlanDifference;
}

/** The plan in use where the survey or the choice has changed under it, with what a new one would change; else null. */
export function staleOf(view: JobView): Stale | null {
  const row = latestPlan(view);
  if (!row || !view.plan || !isStale(row.hashes, hashesOf(view.input))) return null;
  const read = readPlan(row);
  return read ? { row, ...read, difference: differenceOf({ before: read.plan, after: view.plan }) } : null;
}

/** Whether the plan in use is of another release and this one cannot read it. */
export function isUnreadable(view: JobView): boolean {
  const row = latestPlan(view);
  return row !== undefined && readPlan(row) === null;
}

/** The job as its plan in use sees it: what was found since waits until the new plan is asked for. What the old plan never held is seen by the new one. */
export function inUse(view: JobView): JobView & { readonly planId: string | null } {
  const stale = staleOf(view);
  const finding = stale?.plan.findings.find(({ findingId }) => findingId === view.finding?.findingId);
  if (!stale || !finding?.chosen) return { ...view, planId: null };
  const { input } = stale;
  const sheet = sheetOf(input, finding.chosen?.sheetId) ?? null;
  return { ...view, input, plan: stale.plan, finding, sheet, planId: stale.row.id };
}

/** Takes the present plan into use. */
export const takeNewPlan = async (view: JobView): Promise<void> => {
  if (view.plan) await write(planAdd(view, uuid(), view.input));
};
