import type { RowOf } from '@tufa/contract/entities';
import {
  canonical,
  computePlan,
  CORE_VERSION,
  differenceOf,
  hashesOf,
  isStale,
  namedOnly,
  pouredOf,
  sheetOf,
  type Plan,
  type PlanDifference,
  type PlanInput,
} from '@tufa/core/plan';
import { isExtra, listedNumber, standing, type BatchState } from '@tufa/core/pour';
import { v7 as uuid } from 'uuid';
import { change, type Change } from '../outbox/useFirm';
import type { JobView } from '../parts/job/useJob';
import { batchOfPlan } from './clocks';
import { readPlan } from './readPlan';

/** Plans that only a ticket or a label was written by: nothing is poured by them, so that they never stand against a newer one. */
function onlyChalked({ events }: JobView): ReadonlySet<string> {
  const chalked = new Set(events.filter(({ kind }) => kind === 'chalked').map(({ planId }) => planId));
  for (const { kind, planId } of events) if (kind !== 'chalked') chalked.delete(planId);
  return chalked;
}

/** The plans of a job that count, the newest first. */
function plansOf(view: JobView): RowOf<'plan'>[] {
  const chalked = onlyChalked(view);
  return Object.values(view.data.plan)
    .filter(({ id, jobId }) => jobId === view.job.id && !chalked.has(id))
    .sort((a, b) => (a.id < b.id ? 1 : -1));
}

/** Which of several plans goes on, as the lead settled it; the last word counts. */
const settledOf = ({ events }: JobView): string | undefined =>
  standing(events)
    .filter(({ kind }) => kind === 'settled')
    .at(-1)?.payload.plan;

/** The plan the last pour named: the newest of its job, or of two that replace the same the one that was settled on. */
function latestPlan(view: JobView): RowOf<'plan'> | undefined {
  const plans = plansOf(view);
  const [newest] = plans;
  const settled = plans.find(({ id }) => id === settledOf(view));
  // What was planned after that replaces it again.
  return settled && newest?.replaces === settled.replaces ? settled : newest;
}

/** Plans written without signal to replace the same: whoever leads picks which goes on. Nothing once that is settled, or where there is one. */
export function rivalPlans(view: JobView): readonly RowOf<'plan'>[] {
  const plans = plansOf(view).filter(({ input }) => input.poured !== undefined);
  const [newest] = plans;
  if (!newest) return [];
  const rivals = plans.filter(({ replaces }) => replaces === newest.replaces);
  return rivals.length > 1 && !rivals.some(({ id }) => id === settledOf(view)) ? rivals : [];
}

const combined = new WeakMap<Plan, { readonly batches: readonly BatchState[]; readonly whole: Plan }>();

/** A plan of what was left with the batches that were poured before it: the list of the whole job. */
function withPoured(view: JobView, plan: Plan): Plan {
  const known = combined.get(plan);
  if (known?.batches === view.batches) return known.whole;
  const before = view.batches.flatMap((state) => {
    const found = isExtra(state.batch) ? null : batchOfPlan(view.data, state);
    return found ? [{ ...found.batch, number: listedNumber(state.batch) }] : [];
  });
  const once = [...new Map(before.map((batch) => [batch.key, batch])).values()].filter(({ key }) => !plan.batches.some((batch) => batch.key === key));
  const whole = { ...plan, batches: [...once, ...plan.batches] };
  combined.set(plan, { batches: view.batches, whole });
  return whole;
}

const pouredBy = (view: JobView): NonNullable<PlanInput['poured']> => pouredOf(view.batches, (state) => batchOfPlan(view.data, state)?.batch ?? null);

const lefts = new WeakMap<PlanInput, { readonly batches: readonly BatchState[]; readonly input: PlanInput; readonly plan: Plan }>();

/** What is left of the job as it is now: once planned for each state of its rows and its pour. */
function leftNow(view: JobView): { readonly input: PlanInput; readonly plan: Plan } {
  const known = lefts.get(view.input);
  if (known?.batches === view.batches) return known;
  const input = { ...view.input, poured: pouredBy(view) };
  const made = { batches: view.batches, input, plan: computePlan(input, { ranked: 'chosen' }) };
  lefts.set(view.input, made);
  return made;
}

/** What is left of a job from here: what it was planned from, with what is in place. */
export const inputLeft = (view: JobView): PlanInput => ({ ...inUse(view).input, poured: pouredBy(view) });

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
  const row = latestPlan(view);
  const replanned = row?.input.poured !== undefined;
  // Once it was planned from what is in place it always is: by the plan that was taken, or by the job as it was changed since.
  if (row && replanned && !stale && view.plan) {
    const taken = canonical(row.hashes) === canonical(hashesOf(view.input)) ? readPlan(row) : null;
    const { input, plan } = taken ?? leftNow(view);
    const finding = plan.findings.find(({ findingId }) => findingId === view.finding?.findingId) ?? view.finding;
    const sheet = sheetOf(input, finding?.chosen?.sheetId) ?? null;
    return { ...view, input, plan: withPoured(view, plan), finding, sheet, planId: taken ? row.id : null };
  }
  const finding = stale?.plan.findings.find(({ findingId }) => findingId === view.finding?.findingId);
  if (!stale || !finding?.chosen) return { ...view, planId: null };
  const { input } = stale;
  const sheet = sheetOf(input, finding.chosen?.sheetId) ?? null;
  return { ...view, input, plan: replanned ? withPoured(view, stale.plan) : stale.plan, finding, sheet, planId: stale.row.id };
}

/** Takes the present plan into use; of a job that was planned from what is in place, the plan of what is left. */
export const takeNewPlan = async (view: JobView): Promise<void> => {
  if (view.plan) await view.write(planAdd(view, uuid(), latestPlan(view)?.input.poured ? leftNow(view).input : view.input));
};
