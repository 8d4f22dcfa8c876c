import type { PhotoWorker } from './photo.worker';
import { startWorker } from './startWorker';

/** Asks the worker that makes pictures small. @throws WorkerFailed where it cannot answer */
export const askPhoto = startWorker<PhotoWorker>(() => new Worker(new URL('../workers/photo.worker', window.location.href)));
