import { outcomeOf, type RehearsalOutcome, type RehearsedVisit } from '@tufa/core/plan';
import { lazy, Suspense, useEffect, useMemo, useSyncExternalStore } from 'react';
import { View } from 'react-native';
import type { JobView } from '../parts/job/useJob';

import { siteClocksOf } from '../pour/siteClocksOf';
import { PracticeStrip } from './PracticeStrip';
import { practiceView } from './practiceView';
import type { Rehearsing } from './Rehearsing';
import { allDone, keptOf, tapsOf } from './tapsOf';

// The pour's screen is a part of its own: a page that opens there fetches it first.
const Pour = lazy(() => import('../pour/PourScreen').then((part) => ({ default: part.Pour })));

/** Where nothing is due it goes on by so much, ms. */
const STEP_MS = 600_000;

/** The pour's own screens, on the rehearsal's rows and by its clock. */
export function Playing({
  jobId,
  rehearsing,
  visit,
  onEnd,
}: {
  jobId: string;
  rehearsing: Rehearsing;
  visit: RehearsedVisit;
  onEnd: (outcome: RehearsalOutcome, whole: boolean) => void;
}) {
  const { begins_ms } = rehearsing;
  const data = useSyncExternalStore(rehearsing.subscribe, () => rehearsing.snapshot().data);
  const view = useMemo(() => practiceView(data, jobId), [data, jobId]);
  const taps = useMemo(() => (view ? tapsOf(view, begins_ms, visit) : null), [view, begins_ms, visit]);
  useEffect(() => {
    if (taps) rehearsing.tell(taps);
  }, [rehearsing, taps]);
  const keptUntil = useSyncExternalStore(rehearsing.subscribe, () => (taps ? keptOf(taps, begins_ms, rehearsing.snapshot().at_ms) : null));
  const shown = useMemo((): JobView | null => {
    if (!view || !taps) return null;
    // As the plan has it, whatever hands have said so far.
    const byPlan = siteClocksOf({ ...view, batches: view.batches.map((batch) => ({ ...batch, tests: [] })) });
    const finds = (batch: string, code: string): boolean | null => {
      const clock = byPlan.find((each) => each.batch === batch && each.code === code);
      const { state, at_ms } = rehearsing.snapshot();
      const life = state.batches[batch]?.life;
      // What lives longer on this day is ready later, in the same measure.
      return clock && life !== undefined ? at_ms >= clock.startedAt + (clock.at - clock.startedAt) * life : null;
    };
    return {
      ...view,
      write: rehearsing.write,
      now: rehearsing.now,
      practice: { finds, keptUntil, leave: () => onEnd(outcomeOf(rehearsing.snapshot().state, taps), allDone(view, taps)) },
    };
  }, [view, taps, rehearsing, keptUntil, onEnd]);
  if (!shown || !taps) return null;
  const see = (): void => onEnd(outcomeOf(rehearsing.snapshot().state, taps), allDone(shown, taps));
  return (
    <View className="h-full w-full flex-1">
      <PracticeStrip rehearsing={rehearsing} skipTo={nextDue(shown, keptUntil)} done={allDone(shown, taps)} onSee={see} onLeave={see} />
      <View className="flex-1">
        <Suspense fallback={null}>
          <Pour view={shown} />
        </Suspense>
      </View>
    </View>
  );
}

/** What comes next while nothing is in hand, ms: a hand test, the end of a wait; else some minutes on. */
function nextDue(view: JobView, keptUntil: number | null): number {
  const at = view.now();
  const due = [...siteClocksOf(view).flatMap(({ at: ms, passedAt }) => (passedAt === null ? [ms] : [])), ...(keptUntil === null ? [] : [keptUntil])].filter(
    (ms) => ms > at,
  );
  return due.length > 0 ? Math.min(...due) : at + STEP_MS;
}
