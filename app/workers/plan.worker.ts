import {
  compareSystems,
  computePlan,
  hourOf,
  kitOf,
  loadOf,
  rankingOf,
  surveyOf,
  waysOn,
  weekAsks,
  weekOf,
  type DayOdds,
  type DayPlan,
  type HourLooked,
  type Load,
  type Plan,
  type PlanInput,
  type Survey,
  type Freed,
  type JobInTurn,
  type KitItem,
  type SystemOutcome,
  type WeekAsk,
  type WeekOfProduct,
} from '@tufa/core/plan';
import type { Ranked } from '@tufa/core/choose';
import { replaceEqualDeep } from '@tanstack/query-core';
import type { BreakCode } from '@tufa/core/pour';
import { expose } from 'comlink';
import { dayHelps, dayLeast, dayOdds, planByHands, planDay, planJobs, type HandsOutcome, type Help, type PlannedDay } from './planDay';
import { tried, type Tried } from './tried';

let last: PlanInput | undefined;
/** A job file comes as a copy each time: what of it is as it was stays the very same, with all that was worked out of it. */
function kept(input: PlanInput): PlanInput {
  last = replaceEqualDeep(last, input);
  return last;
}

/** What is handed over is copied on the page's own time: what was judged of a sheet stays here. */
const withoutShelf = (plan: Plan): Plan => ({ ...plan, findings: plan.findings.map((finding) => ({ ...finding, ranking: [] })) });

/** Survey, plan and comparison off the main thread: the same functions, the same figures. */
const worker = {
  survey: (input: PlanInput): Tried<Survey> => tried(() => surveyOf(kept(input))),
  /** with the whole shelf for every finding */
  compute: (input: PlanInput): Plan => computePlan(input),
  /** with the best of the shelf for every finding: what systems are chosen from */
  best: (input: PlanInput): Plan => computePlan(input, { ranked: 'best' }),
  /** the whole shelf for one finding */
  rank: (input: PlanInput, findingId: string): Ranked[] => rankingOf(input, findingId),
  /** what several jobs take together */
  load: (inputs: Parameters<typeof loadOf>[0]): Tried<Load> => tried(() => loadOf(inputs)),
  /** without the shelf: what a screen that chooses nothing needs */
  plan: (input: PlanInput): Tried<Plan> => tried(() => withoutShelf(computePlan(kept(input), { ranked: 'chosen' }))),
  /** what a job's plan takes along; nothing where it cannot be planned */
  kit: (input: PlanInput): readonly KitItem[] => {
    const { value } = worker.plan(input);
    return value ? kitOf(input, value) : [];
  },
  /** the hours of a week for each product that a job chose; nothing where it cannot be planned or chose none */
  weekOfJob: (input: PlanInput, asked: Omit<Parameters<typeof weekOf>[0], 'asks' | 'conditions'>): WeekOfProduct[] => {
    const { value: plan } = worker.plan(input);
    const asks = plan ? weekAsks(input, plan) : [];
    const { air_C, slab_C } = input.conditions;
    return asks.length === 0 ? [] : (worker.week({ ...asked, asks, conditions: { air_C, slab_C } }).value ?? []);
  },
  /** what remains when a plan broke, each way planned */
  waysOn: (input: PlanInput, what: BreakCode): Tried<ReturnType<typeof waysOn>> => tried(() => waysOn(kept(input), what)),
  /** each product in every hour of the week */
  week: (asked: Parameters<typeof weekOf>[0]): Tried<WeekOfProduct[]> => tried(() => weekOf(asked)),
  /** one hour of it looked at closely */
  hour: (input: PlanInput, ask: WeekAsk, weather: Parameters<typeof weekOf>[0]['site'], at_ms: number): Tried<HourLooked> =>
    tried(() => hourOf(kept(input), ask, weather, at_ms)),
  /** a job's day put in order, and the same with other hands */
  day: (input: PlanInput, asked: PlannedDay, onProgress?: (share: number) => void): Tried<DayPlan> => tried(() => planDay(kept(input), asked, onProgress)),
  /** the smallest change that frees it where it clashes */
  dayLeast: (input: PlanInput, asked: PlannedDay): Tried<Freed | null> => tried(() => dayLeast(kept(input), asked)),
  /** several jobs of one day */
  dayOfJobs: (...asked: Parameters<typeof planJobs>): Tried<readonly JobInTurn[]> => tried(() => planJobs(...asked)),
  /** how it may go, and what would help it most */
  dayOdds: (input: PlanInput, asked: PlannedDay): Tried<{ odds: DayOdds | null; helps: Help[] }> =>
    tried(() => ({ odds: dayOdds(kept(input), asked), helps: dayHelps(kept(input), asked) })),
  dayByHands: (input: PlanInput, asked: PlannedDay, hands: readonly number[]): Tried<HandsOutcome[]> => tried(() => planByHands(kept(input), asked, hands)),
  compare: (asked: Parameters<typeof compareSystems>[0]): SystemOutcome[] => compareSystems(asked),
};

export type PlanWorker = typeof worker;

expose(worker);
