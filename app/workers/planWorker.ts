import type { PlanWorker } from './plan.worker';
import { startWorker } from './startWorker';

/** Asks the plan's worker. @throws WorkerFailed where it cannot answer */
export const askPlan = startWorker<PlanWorker>(() => new Worker(new URL('../workers/plan.worker', window.location.href)));
