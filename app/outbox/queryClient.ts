import { createAsyncStoragePersister } from '@tanstack/query-async-storage-persister';
import { defaultShouldDehydrateQuery, notifyManager, onlineManager, QueryClient, type DehydrateOptions } from '@tanstack/react-query';
import { del, get, set } from 'idb-keyval';

// The library believes it is online when opened without signal.
if (typeof navigator !== 'undefined') onlineManager.setOnline(navigator.onLine);

// Told as soon as it is known: a timer of none at all is some ten milliseconds late on a busy phone, and an answer of a worker is two.
notifyManager.setScheduler(queueMicrotask);

/** Serves reads only; writes go through the outbox. */
export const queryClient = new QueryClient({
  defaultOptions: { queries: { gcTime: Infinity, staleTime: 30_000, retry: 1, networkMode: 'online', refetchOnWindowFocus: true, structuralSharing: false } },
});

const KEY = 'REACT_QUERY_OFFLINE_CACHE';

/** Keeps what was read in IndexedDB, half a second after it changed. */
const keeping = createAsyncStoragePersister({
  key: KEY,
  storage: { getItem: async (key: string) => ((await get(key)) as string | undefined) ?? null, setItem: (key, value) => set(key, value), removeItem: del },
  throttleTime: 500,
});

export const persister = {
  ...keeping,
  /** what is kept, as it lies there: an earlier release kept the whole firm in it */
  restoreText: async (): Promise<string | null> => ((await get(KEY)) as string | undefined) ?? null,
};

/** Asked of the phone itself, its worker or its database: not of the network, and of no use to the next page. */
export const WORKED_OUT = 'worked out';

/** What is kept on the phone: nothing of *nobody is signed in*, which a reload right after signing in would take for the truth, and nothing that is worked out again. */
export const kept: DehydrateOptions = {
  shouldDehydrateQuery: (query) => query.state.data !== null && query.queryKey[0] !== WORKED_OUT && defaultShouldDehydrateQuery(query),
};
