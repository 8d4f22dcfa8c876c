import { wrap, type Remote } from 'comlink';

/** A worker that could not be started, or has ended: what it was asked has no answer. */
export class WorkerFailed extends Error {}

/** A worker made when it is first asked, and made anew after it has failed: what it was asked when it failed is refused and not left waiting. */
export function startWorker<W>(make: () => Worker): <T>(work: (worker: Remote<W>) => Promise<T>) => Promise<T> {
  let made: { readonly remote: Remote<W>; readonly failed: Promise<never> } | null = null;
  const start = (): NonNullable<typeof made> => {
    const worker = make();
    const failed = new Promise<never>((_, reject) => {
      const fail = (event: Event): void => {
        made = null;
        worker.terminate();
        reject(new WorkerFailed((event as ErrorEvent).message || event.type));
      };
      worker.addEventListener('error', fail);
      worker.addEventListener('messageerror', fail);
    });
    // It is heard by whoever asks; alone it is nobody's.
    failed.catch(() => undefined);
    return { remote: wrap<W>(worker), failed };
  };
  return (work) => {
    const { remote, failed } = (made ??= start());
    return Promise.race([work(remote), failed]);
  };
}
