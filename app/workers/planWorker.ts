import { wrap, type Remote } from 'comlink';
import type { PlanWorker } from './plan.worker';

let made: Remote<PlanWorker> | null = null;

/** The plan's worker, made when it is first asked. */
export function planWorker(): Remote<PlanWorker> {
  made ??= wrap<PlanWorker>(new Worker(new URL('../workers/plan.worker', window.location.href)));
  return made;
}
