import { assemblePlanInput } from '@tufa/contract/assemble';
import { pourEventsOf } from '@tufa/contract/pourEvents';
import type { FirmData, RowOf } from '@tufa/contract/entities';
import { computePlan, namedOnly, sheetOf, stoppedIn, surveyOf, type FindingPlan, type Plan, type PlanInput, type Survey } from '@tufa/core/plan';
import { fold, type BatchState, type PourEvent } from '@tufa/core/pour';
import { Problem } from '@tufa/core/quantity';
import type { Sheet } from '@tufa/core/shelf';
import { startTransition, useEffect, useMemo, useState } from 'react';
import { useFirmWith, write, type Firm } from '../../outbox/useFirm';
import type { Tried } from '../../workers/tried';
import { useWorkedOut } from '../../workers/useWorkedOut';
import type { Step } from '../../links';
import { now } from '../phone/clock';
import { jobFile } from './jobFile';
import type { Practice } from './Practice';
import type { StepState } from '../chrome/Bars';

/** What of the firm a job is seen by: not what of it waits to be sent, which changes with each word of the firm. */
type Seen = Pick<Firm, 'data' | 'clockOffset'>;

/** A job with everything worked out from its rows. */
export interface JobView extends Seen {
  readonly job: RowOf<'job'>;
  readonly input: PlanInput;
  /** take-off and verdicts alone; null while they are worked out or where they cannot be told */
  readonly survey: Survey | null;
  readonly plan: Plan | null;
  readonly problem: Trouble | null;
  /** the plan is of before the last change, which is being worked out */
  readonly behind: boolean;
  readonly events: readonly PourEvent[];
  readonly batches: readonly BatchState[];
  readonly stopped: boolean;
  /** the finding being worked on: the first with a choice, else the first */
  readonly finding: FindingPlan | null;
  readonly sheet: Sheet | null;
  readonly steps: Readonly<Record<Step, StepState>>;
  /** where changes go: to this phone and the firm; in a rehearsal nowhere else */
  readonly write: typeof write;
  /** the clock it is worked by, ms since 1970: the phone's; in a rehearsal its own */
  readonly now: () => number;
  /** what only a rehearsal has; null for what is real */
  readonly practice: Practice | null;
}

/** Why there is no plan, in a form that words say. */
type Trouble = Pick<Problem, 'code' | 'figures'> | { readonly code: 'workerFailed'; readonly figures: Readonly<Record<never, never>> };

interface Planned {
  readonly survey: Survey | null;
  readonly plan: Plan | null;
  readonly problem: Trouble | null;
  readonly behind?: boolean;
}

const attempt = <T>(compute: () => T): { value: T | null; problem: Problem | null } => {
  try {
    return { value: compute(), problem: null };
  } catch (error) {
    if (error instanceof Problem) return { value: null, problem: error };
    throw error;
  }
};

const surveys = new WeakMap<PlanInput, { value: Survey | null; problem: Problem | null }>();

const plans = new WeakMap<PlanInput, Planned>();

/** A survey is computed once for each job file, whoever asks. */
function surveyed(input: PlanInput): { value: Survey | null; problem: Problem | null } {
  const known = surveys.get(input) ?? attempt(() => surveyOf(input));
  surveys.set(input, known);
  return known;
}

/** So is a plan. */
function planOf(input: PlanInput): Planned {
  const before = plans.get(input);
  if (before) return before;
  const made = planned(input);
  plans.set(input, made);
  return made;
}

const planned = (input: PlanInput): Planned => {
  const { value: survey, problem: unseen } = surveyed(input);
  if (!survey) return { survey, plan: null, problem: unseen };
  const { value: plan, problem } = attempt(() => computePlan(input, { ranked: 'chosen' }));
  return { survey, plan, problem };
};

/** What a first look shows: nothing is chosen in it yet. */
function lookedAt(input: PlanInput): Planned {
  const { value: survey, problem } = surveyed(input);
  return { survey, plan: null, problem };
}

/** What the worker made of a large job. One that has failed is told; the same work here would hold up the thumb. */
function workedOut(survey: Tried<Survey> | undefined, plan: Tried<Plan> | undefined, { failed, behind }: { failed: boolean; behind: boolean }): Planned {
  return {
    behind,
    survey: survey?.value ?? plan?.value ?? null,
    plan: plan?.value ?? null,
    problem: failed ? { code: 'workerFailed', figures: {} } : (survey?.problem ?? plan?.problem ?? null),
  };
}

/** What is worked out of a job, or what was of just these findings before the change that is worked out now. */
function standing<T extends Survey | Plan>(input: PlanInput | null, { data, isPlaceholderData }: { data: Tried<T> | undefined; isPlaceholderData: boolean }) {
  if (!data || !isPlaceholderData) return data;
  const of = data.value?.findings ?? [];
  return input?.findings.length === of.length && of.every(({ findingId }, i) => findingId === input.findings[i]!.id) ? data : undefined;
}

/** More findings than this are planned in the worker, so that a large survey opens at once. */
const MANY = 20;

const poured = new WeakMap<FirmData['pourEvent'], Map<string, Pick<JobView, 'events' | 'batches'>>>();

/** What was poured of a job, folded once for each state of its events. */
function pouredOf(data: FirmData, jobId: string): Pick<JobView, 'events' | 'batches'> {
  const byJob = poured.get(data.pourEvent) ?? new Map<string, Pick<JobView, 'events' | 'batches'>>();
  poured.set(data.pourEvent, byJob);
  const before = byJob.get(jobId);
  if (before) return before;
  const events = pourEventsOf(data, jobId);
  const made = { events, batches: fold(events) };
  byJob.set(jobId, made);
  return made;
}

/** Where a job stands, from its rows alone. */
export function jobView(
  { data, clockOffset }: Seen,
  jobId: string,
  input: PlanInput | null = assemblePlanInput(data, jobId),
  planned: (input: PlanInput) => Planned = planOf,
): JobView | null {
  const job = data.job[jobId];
  if (!job || !input) return null;
  const { survey, plan, problem, behind = false } = planned(input);
  const { events, batches } = pouredOf(data, jobId);
  const stops = stoppedIn(plan?.elements ?? []);
  const goesOn = plan?.findings.find(({ elementId }) => !stops.has(elementId));
  const finding = plan?.findings.find(({ chosen }) => chosen) ?? goesOn ?? plan?.findings[0] ?? null;
  const sheet = sheetOf(input, finding?.chosen?.sheetId) ?? null;
  // One stopped element stops itself; the job, where nothing of it goes on.
  const stopped = stops.size > 0 && !goesOn;
  return {
    data,
    clockOffset,
    job,
    input,
    survey,
    plan,
    problem,
    behind,
    events,
    batches,
    finding,
    sheet,
    stopped,
    write,
    now,
    practice: null,
    steps: stepsOf({ data, jobId, plan, input, finding, batches, stopped: stops.size > 0 }),
  };
}

function stepsOf({
  plan,
  input,
  finding,
  batches,
  stopped,
}: {
  data: FirmData;
  jobId: string;
  plan: Plan | null;
  input: PlanInput;
  finding: FindingPlan | null;
  batches: readonly BatchState[];
  stopped: boolean;
}): Record<Step, StepState> {
  const surveyed = (plan?.findings.length ?? 0) > 0;
  const chosen = finding?.chosen ?? null;
  const refused = (chosen?.refused.length ?? 0) > 0;
  const read = (['air_C', 'slab_C', 'powder_C', 'water_C'] as const).every((kind) => input.conditions[kind].source !== 'assumed');
  const listed = plan?.batches ?? [];
  // Every pail and every shot that has a clock.
  const pails = listed.reduce((sum, { window, fits, shots }) => sum + (window && fits ? (shots?.count ?? 1) : 0), 0);
  const poured = batches.length > 0 && batches.every(({ running }) => !running) && pails > 0 && batches.length >= pails;
  const unfit = listed.some(({ fits }) => !fits);
  const if_ = (done: boolean, warning = false): StepState => (warning ? 'warning' : done ? 'done' : 'open');
  return {
    walk: if_(surveyed && !stopped, stopped && input.elements.length > 0),
    fix: if_(chosen !== null, refused),
    mix: if_(listed.length > 0 && !refused, refused || unfit),
    day: if_(chosen !== null && read, (chosen !== null && !chosen.window.window.fits) || listed.some(({ window }) => window && !window.window.fits)),
    pour: if_(
      poured,
      batches.some(({ running }) => running),
    ),
    record: if_(poured),
  };
}

/**
 * The job of the address with its plan, recomputed only when its rows change. Null while it is not on the phone.
 *
 * @param surveyFirst the first look has take-offs and verdicts alone, and the plan follows it
 */
export function useJob(jobId: string, { surveyFirst }: { surveyFirst: boolean }): { view: JobView | null; firm: Firm; planning: boolean } {
  const firm = useFirmWith(jobId);
  const here = firm.ready;
  const [looked, setLooked] = useState(!surveyFirst);
  useEffect(() => {
    if (here) startTransition(() => setLooked(true));
  }, [here]);
  const { data, clockOffset } = firm;
  const input = jobFile(data, jobId);
  const large = (input?.findings.length ?? 0) > MANY;
  // While a change is worked out the figures before it stand, of the same findings.
  // A plan holds its survey: that comes first only where it is looked at.
  const asked = useWorkedOut('survey', large && surveyFirst && input ? [input] : null, (worker) => worker.survey(input!), { keepLast: true });
  const survey = standing(input, asked);
  const answered = useWorkedOut('plan', large && input && (survey || !surveyFirst) ? [input] : null, (worker) => worker.plan(namedOnly(input!)), {
    keepLast: true,
  });
  const plan = standing(input, answered);
  const broken = asked.isError || answered.isError;
  const planning = large && !broken && !plan;
  const behind = answered.isPlaceholderData;
  const view = useMemo(
    () =>
      jobView(
        { data, clockOffset },
        jobId,
        input,
        large ? () => workedOut(survey, plan, { failed: broken, behind }) : looked || (input && plans.has(input)) ? planOf : lookedAt,
      ),
    [looked, data, clockOffset, jobId, input, large, broken, behind, survey, plan],
  );
  return { view, firm, planning };
}
