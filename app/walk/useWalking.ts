import { useLocalSearchParams, useRouter } from 'expo-router';
import { STEP_FACES } from '@tufa/core/survey';
import { links, WALKING, type Walking } from '../links';
import { goBack, onceBack } from '../parts/chrome/goBack';
import type { Begun } from './beginning';
import type { FlightNeed } from './FlightView';

interface Of {
  /** which element, or finding; absent for a new one */
  readonly id?: string | undefined;
  /** what was tapped on a flight */
  readonly begun?: Begun | undefined;
}

const KINDS: readonly string[] = ['skim', 'step', 'spall', 'edge'] satisfies FlightNeed[];

/** What was tapped, as an address says it: "skim 3 riser"; null where it says nothing that can be begun. */
function begunOf(text: string | undefined): Begun | null {
  const [kind = '', step, face] = (text ?? '').split(' ');
  const on = STEP_FACES.find((name) => name === face);
  return KINDS.includes(kind) && on && Number.isInteger(Number(step)) ? { kind: kind as FlightNeed, step: Number(step), face: on } : null;
}

/** What Walk does, as its address says: a link opens it, and going back leaves it. */
export function useWalking(jobId: string) {
  const { doing, id, element, begun } = useLocalSearchParams<{ doing?: string; id?: string; element?: string; begun?: string }>();
  const router = useRouter();
  const what: Walking | null = WALKING.find((walking) => walking === doing) ?? null;
  return {
    what,
    id: id ?? null,
    begun: begunOf(begun),
    elementId: element ?? null,
    open: (next: Walking, on: string | undefined, { id: of, begun: at }: Of = {}): void =>
      onceBack(() => router.push(links.walking(jobId, next, { element: on, id: of, begun: at && `${at.kind} ${at.step} ${at.face}` }))),
    /** looks at another element, in place */
    lookAt: (elementId: string): void => router.replace(links.lookingAt(jobId, elementId)),
    /** back to looking: the way it came, or where it was opened by a link, in its place */
    leave: (): void => (router.canGoBack() ? goBack(router) : router.replace(links.step(jobId, 'walk'))),
  };
}
