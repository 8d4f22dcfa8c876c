import { wrap, type Remote } from 'comlink';

/** A worker that could not be started, or has ended: what it was asked has no answer. */
export class WorkerFailed extends Error {}

/** Rejects when nobody waits for it any more. */
const stopped = (signal: AbortSignal): Promise<never> =>
  new Promise((_, reject) => signal.addEventListener('abort', () => reject(signal.reason as Error), { once: true }));

/**
 * A worker made when it is first asked, and made anew after it has failed: what it was asked when it failed is refused and
 * not left waiting. What is asked with a signal has its turn after what was asked so before; when the signal ends it, it
 * is not begun, or the worker is ended in the middle of it.
 */
export function startWorker<W>(make: () => Worker): <T>(work: (worker: Remote<W>) => Promise<T>, signal?: AbortSignal) => Promise<T> {
  let made: { readonly remote: Remote<W>; readonly failed: Promise<never>; readonly end: () => void } | null = null;
  let turn: Promise<unknown> = Promise.resolve();
  const start = (): NonNullable<typeof made> => {
    const worker = make();
    const end = (): void => {
      made = null;
      worker.terminate();
    };
    const failed = new Promise<never>((_, reject) => {
      const fail = (event: Event): void => {
        end();
        reject(new WorkerFailed((event as ErrorEvent).message || event.type));
      };
      worker.addEventListener('error', fail);
      worker.addEventListener('messageerror', fail);
    });
    // It is heard by whoever asks; alone it is nobody's.
    failed.catch(() => undefined);
    return { remote: wrap<W>(worker), failed, end };
  };
  return (work, signal) => {
    if (!signal) {
      const { remote, failed } = (made ??= start());
      return Promise.race([work(remote), failed]);
    }
    const asked = async (): ReturnType<typeof work> => {
      if (signal.aborted) throw signal.reason;
      const { remote, failed, end } = (made ??= start());
      try {
        return await Promise.race([work(remote), failed, stopped(signal)]);
      } finally {
        if (signal.aborted) end();
      }
    };
    const answer = turn.then(asked);
    turn = answer.catch(() => undefined);
    return answer;
  };
}
