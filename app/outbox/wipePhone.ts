import { queryClient } from './queryClient';

/** Every database of Tufa's on a phone, for browsers that do not name them. */
const DATABASES = ['tufa-outbox', 'tufa-firm', 'keyval-store'];
/** How this phone looks is its own and no firm's. */
const STAYS: ReadonlySet<string> = new Set(['tufa-phone', 'tufa-language']);

const gone = (name: string): Promise<void> =>
  new Promise((done) => {
    const asked = indexedDB.deleteDatabase(name);
    // Blocked by another page of this phone it goes when that closes, which it is told to.
    asked.onsuccess = asked.onerror = asked.onblocked = () => done();
  });

/** Takes everything of a firm off this phone: rows, what was written, pictures, letters, drafts, what was read. Tufa itself stays. */
export async function wipePhone(): Promise<void> {
  // Who is signed in stays known until the page is opened anew: that the phone is shut out must go on being said.
  queryClient.removeQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'session' });
  const known = await (indexedDB.databases?.() ?? Promise.resolve([])).catch(() => []);
  await Promise.all([...new Set([...DATABASES, ...known.flatMap(({ name }) => (name ? [name] : []))])].map(gone));
  for (const key of Object.keys(localStorage)) if (!STAYS.has(key)) localStorage.removeItem(key);
  sessionStorage.clear();
}
