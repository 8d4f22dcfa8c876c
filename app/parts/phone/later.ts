/** Of the built page: by a part's address, what it shares with others. Without it (in development) nothing is apart. */
function sharedByPart(): Readonly<Record<string, readonly string[]>> {
  const told = document.querySelector<HTMLMetaElement>('meta[name="shared"]')?.content;
  return told ? (JSON.parse(told) as Record<string, readonly string[]>) : {};
}

const scripts = new Map<string, Promise<void>>();

/** A file that several parts share, fetched once; again after it did not come. */
function fetchScript(src: string): Promise<void> {
  const coming =
    scripts.get(src) ??
    new Promise<void>((done, failed) => {
      const script = Object.assign(document.createElement('script'), { src });
      script.addEventListener('load', () => done());
      script.addEventListener('error', () => {
        scripts.delete(src);
        script.remove();
        failed(new Error(`${src} did not come.`));
      });
      document.head.append(script);
    });
  scripts.set(src, coming);
  return coming;
}

type LoadPart = (part: string) => Promise<void>;

/** By this name the bundler's own code fetches a part. */
const LOADER = '__loadBundleAsync';

/** Asks the browser for a script that is read later. */
function fetchSoon(href: string): void {
  if (document.querySelector(`link[rel="preload"][href="${href}"]`)) return;
  document.head.append(Object.assign(document.createElement('link'), { rel: 'preload', as: 'script', href }));
}

/**
 * From here on each part comes with what it shares. Both are fetched at once, but the part is read last: the bundler
 * tries a part that is here at once, and one that failed for want of what it shares would fail for ever.
 */
export function shareParts(): void {
  const global = globalThis as unknown as Record<string, LoadPart | undefined>;
  const load = global[LOADER];
  const shared = sharedByPart();
  if (!load) return;
  global[LOADER] = async (part) => {
    const address = new URL(part, window.location.href).pathname;
    const wanted = shared[address] ?? [];
    if (wanted.length > 0) fetchSoon(address);
    await Promise.all(wanted.map(fetchScript));
    await load(part);
  };
}

/** Signal again, or a few seconds on. */
const laterOrOnline = (): Promise<void> =>
  new Promise((go) => {
    window.addEventListener('online', () => go(), { once: true });
    setTimeout(go, 5000);
  });

/** For a small part of a screen: until it can come its place stays empty, and everything else goes on. */
export const whenItComes = <T>(load: () => Promise<T>): Promise<T> => load().catch(() => laterOrOnline().then(() => whenItComes(load)));

/** Asked for once; again only after it failed. */
export function once<T>(load: () => Promise<T>): () => Promise<T> {
  let asked: Promise<T> | null = null;
  return () => {
    asked ??= load().catch((error: unknown) => {
      asked = null;
      throw error;
    });
    return asked;
  };
}
