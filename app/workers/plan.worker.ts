import { computePlan, type Plan, type PlanInput } from '@tufa/core/plan';
import { expose } from 'comlink';

/** The plan off the main thread: the same function, the same figures. */
const worker = { compute: (input: PlanInput): Plan => computePlan(input) };

export type PlanWorker = typeof worker;

expose(worker);
