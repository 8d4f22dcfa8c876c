import {
  compareSystems,
  computePlan,
  loadOf,
  rankingOf,
  surveyOf,
  waysOn,
  type Load,
  type Plan,
  type PlanInput,
  type Survey,
  type SystemOutcome,
} from '@tufa/core/plan';
import type { Ranked } from '@tufa/core/choose';
import { replaceEqualDeep } from '@tanstack/query-core';
import type { BreakCode } from '@tufa/core/pour';
import { expose } from 'comlink';
import { tried, type Tried } from './tried';

let last: PlanInput | undefined;
/** A job file comes as a copy each time: what of it is as it was stays the very same, with all that was worked out of it. */
function kept(input: PlanInput): PlanInput {
  last = replaceEqualDeep(last, input);
  return last;
}

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
  plan: (input: PlanInput): Tried<Plan> => tried(() => computePlan(kept(input), { ranked: 'chosen' })),
  /** what remains when a plan broke, each way planned */
  waysOn: (input: PlanInput, what: BreakCode): Tried<ReturnType<typeof waysOn>> => tried(() => waysOn(kept(input), what)),
  compare: (asked: Parameters<typeof compareSystems>[0]): SystemOutcome[] => compareSystems(asked),
};

export type PlanWorker = typeof worker;

expose(worker);
