import { openDB, type DBSchema, type IDBPDatabase, type OpenDBCallbacks } from 'idb';

/**
 * What stands between this page and what it keeps: the browser keeps nothing, another page of an older Tufa is in the way,
 * this page is the older one, or the last thing written did not get through.
 */
export type StorageProblem = 'refused' | 'blocked' | 'older' | 'notKept';

let problem: StorageProblem | null = null;
const listeners = new Set<() => void>();

/** What stands between this page and what it keeps, for every screen. */
export const storage = {
  problem: (): StorageProblem | null => problem,
  note: (next: StorageProblem | null): void => {
    if (next === problem) return;
    problem = next;
    for (const listener of listeners) listener();
  },
  subscribe: (listener: () => void): (() => void) => {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
};

/** A database of this phone, opened when it is first asked for and again whenever the browser has closed it. */
export interface KeptDatabase<S extends DBSchema> {
  /**
   * Runs some work on it, once more where the connection was closed under it.
   *
   * @throws where the browser keeps nothing, or this page is older than what is kept
   */
  readonly use: <T>(work: (db: IDBPDatabase<S>) => Promise<T>) => Promise<T>;
}

const named = (error: unknown, ...names: readonly string[]): boolean => names.includes((error as Error | undefined)?.name ?? '');

/** @param upgrade makes the stores that a version before lacks; every earlier version must open */
export function keptDatabase<S extends DBSchema>(name: string, version: number, upgrade: NonNullable<OpenDBCallbacks<S>['upgrade']>): KeptDatabase<S> {
  let opened: Promise<IDBPDatabase<S>> | null = null;
  const open = async (): Promise<IDBPDatabase<S>> => {
    try {
      const db = await openDB<S>(name, version, {
        upgrade,
        blocked: () => storage.note('blocked'),
        // A newer page wants to upgrade it: it must not wait for this one.
        blocking: (_current, _wanted, event) => {
          (event.target as IDBDatabase).close();
          opened = null;
          storage.note('older');
        },
        terminated: () => (opened = null),
      });
      if (storage.problem() === 'blocked') storage.note(null);
      return db;
    } catch (error) {
      opened = null;
      storage.note(named(error, 'VersionError') ? 'older' : 'refused');
      throw error;
    }
  };
  const use = async <T>(work: (db: IDBPDatabase<S>) => Promise<T>): Promise<T> => {
    try {
      return await work(await (opened ??= open()));
    } catch (error) {
      if (!named(error, 'InvalidStateError', 'AbortError')) throw error;
      opened = null;
      return work(await (opened ??= open()));
    }
  };
  return { use };
}
