import { useLocalSearchParams, useRouter } from 'expo-router';
import { links, WALKING, type Walking } from '../links';

interface Of {
  /** which element, or finding; absent for a new one */
  readonly id?: string | undefined;
}

/** Long enough for the browser to have gone back. */
const BACK_MS = 1000;

/** While the browser goes back; what is opened meanwhile waits, or going back would close it instead. */
let goingBack: Promise<void> | null = null;

function goBack(router: { back: () => void }): void {
  const gone = new Promise<void>((done) => {
    window.addEventListener('popstate', () => done(), { once: true });
    setTimeout(done, BACK_MS);
  }).then(() => {
    if (goingBack === gone) goingBack = null;
  });
  goingBack = gone;
  router.back();
}

/** What Walk does, as its address says: a link opens it, and going back leaves it. */
export function useWalking(jobId: string) {
  const { doing, id, element } = useLocalSearchParams<{ doing?: string; id?: string; element?: string }>();
  const router = useRouter();
  const what: Walking | null = WALKING.find((walking) => walking === doing) ?? null;
  return {
    what,
    id: id ?? null,
    elementId: element ?? null,
    open: (next: Walking, on: string | undefined, { id: of }: Of = {}): void => {
      const push = (): void => router.push(links.walking(jobId, next, { element: on, id: of }));
      if (goingBack) void goingBack.then(push);
      else push();
    },
    /** looks at another element, in place */
    lookAt: (elementId: string): void => router.replace(links.lookingAt(jobId, elementId)),
    /** back to looking: the way it came, or where it was opened by a link, in its place */
    leave: (): void => (router.canGoBack() ? goBack(router) : router.replace(links.step(jobId, 'walk'))),
  };
}
