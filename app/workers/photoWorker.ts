import { wrap, type Remote } from 'comlink';
import type { PhotoWorker } from './photo.worker';

let made: Remote<PhotoWorker> | null = null;

/** The worker that makes pictures small, made at the first picture. */
export function photoWorker(): Remote<PhotoWorker> {
  made ??= wrap<PhotoWorker>(new Worker(new URL('../workers/photo.worker', window.location.href)));
  return made;
}
