// Stands for the plan's worker: the same functions, on this thread.
import { compareSystems, computePlan, loadOf, rankingOf, surveyOf, waysOn, type PlanInput } from '@tufa/core/plan';
import type { BreakCode } from '@tufa/core/pour';
import { tried } from '../workers/tried';

const worker = {
  survey: async (input: PlanInput) => tried(() => surveyOf(input)),
  compute: async (input: PlanInput) => computePlan(input),
  best: async (input: PlanInput) => computePlan(input, { ranked: 'best' }),
  rank: async (input: PlanInput, findingId: string) => rankingOf(input, findingId),
  load: async (inputs: Parameters<typeof loadOf>[0]) => tried(() => loadOf(inputs)),
  plan: async (input: PlanInput) => tried(() => computePlan(input, { ranked: 'chosen' })),
  waysOn: async (input: PlanInput, what: BreakCode) => tried(() => waysOn(input, what)),
  compare: async (asked: Parameters<typeof compareSystems>[0]) => compareSystems(asked),
};

export const askPlan = <T>(work: (asked: typeof worker) => Promise<T>): Promise<T> => work(worker);
