import type { PlanWorker } from './plan.worker';
import { startWorker } from './startWorker';

/** Asks the plan's worker. @throws WorkerFailed where it cannot answer */
export const askPlan = startWorker<PlanWorker>(() => new Worker(new URL('../workers/plan.worker', window.location.href)));

/** The same by itself for what can be stopped in the middle: a day that is put in order. */
export const askDay = startWorker<PlanWorker>(() => new Worker(new URL('../workers/plan.worker', window.location.href)));

/** The same beside it, for what takes longer and nobody waits for: the odds of a day must not hold up the day. */
export const askBeside = startWorker<PlanWorker>(() => new Worker(new URL('../workers/plan.worker', window.location.href)));
