/** Of the built page: where what several screens share lies. Without it (in development) nothing is apart. */
const sharedAddress = (): string | undefined => document.querySelector<HTMLMetaElement>('meta[name="shared"]')?.content;

let shared: Promise<void> | null = null;

/** Everything that computes, draws or prints for more than one screen, fetched once, after the first screen. */
function loadShared(): Promise<void> {
  const src = sharedAddress();
  shared ??= src
    ? new Promise((done, failed) => {
        const script = Object.assign(document.createElement('script'), { src });
        script.addEventListener('load', () => done());
        script.addEventListener('error', () => {
          shared = null;
          script.remove();
          failed(new Error(`${src} did not come.`));
        });
        document.head.append(script);
      })
    : Promise.resolve();
  return shared;
}

/** What is fetched when it is used: what it shares with others first. @throws where there is no signal and nothing on the phone */
export const later = <T>(load: () => Promise<T>): Promise<T> => loadShared().then(load);

/** Signal again, or a few seconds on. */
const laterOrOnline = (): Promise<void> =>
  new Promise((go) => {
    window.addEventListener('online', () => go(), { once: true });
    setTimeout(go, 5000);
  });

/** For a small part of a screen: until it can come its place stays empty, and everything else goes on. */
export const whenItComes = <T>(load: () => Promise<T>): Promise<T> => later(load).catch(() => laterOrOnline().then(() => whenItComes(load)));

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
