import { useLocalSearchParams, useRouter } from 'expo-router';
import { links, WALKING, type Walking } from '../links';

interface Of {
  /** which element, or finding; absent for a new one */
  readonly id?: string | undefined;
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
    open: (next: Walking, on: string | undefined, { id: of }: Of = {}): void => router.push(links.walking(jobId, next, { element: on, id: of })),
    /** looks at another element, in place */
    lookAt: (elementId: string): void => router.replace(links.lookingAt(jobId, elementId)),
    /** back to looking: the way it came, or where it was opened by a link, in its place */
    leave: (): void => (router.canGoBack() ? router.back() : router.replace(links.step(jobId, 'walk'))),
  };
}
