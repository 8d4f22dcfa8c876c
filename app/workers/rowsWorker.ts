import { startWorker } from './startWorker';
import type { RowsWorker } from './rows.worker';

/** Asks the worker that keeps what comes from the firm. @throws WorkerFailed where it cannot answer */
export const askRows = startWorker<RowsWorker>(() => new Worker(new URL('../workers/rows.worker', window.location.href)));
