// Stands for the plan's worker: the same functions, on this thread.
import { compareSystems, computePlan, surveyOf, type PlanInput } from '@tufa/core/plan';

const worker = {
  survey: async (input: PlanInput) => surveyOf(input),
  compute: async (input: PlanInput) => computePlan(input),
  plan: async (input: PlanInput) => computePlan(input, { ranked: 'chosen' }),
  compare: async (asked: Parameters<typeof compareSystems>[0]) => compareSystems(asked),
};

export const planWorker = (): typeof worker => worker;
