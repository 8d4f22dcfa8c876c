import { computePlan, surveyOf, type Plan, type PlanInput, type Survey } from '@tufa/core/plan';
import { expose } from 'comlink';

/** Survey and plan off the main thread: the same functions, the same figures. */
const worker = { survey: (input: PlanInput): Survey => surveyOf(input), compute: (input: PlanInput): Plan => computePlan(input) };

export type PlanWorker = typeof worker;

expose(worker);
