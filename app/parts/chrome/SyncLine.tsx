import { say, sayCoded } from '@tufa/words/speak';
import { lazy, Suspense, useSyncExternalStore } from 'react';
import { View } from 'react-native';
import { useUnsent } from '../../outbox/useFirm';
import { ageText } from '../phone/ageText';
import { now } from '../phone/clock';
import { storage, type StorageProblem } from '../phone/storage';
import { T } from '../ui/T';
import { whenItComes } from '../phone/later';
import { useSpeaker } from '../phone/speaker';

const subscribeOnline = (listener: () => void): (() => void) => {
  window.addEventListener('online', listener);
  window.addEventListener('offline', listener);
  return () => {
    window.removeEventListener('online', listener);
    window.removeEventListener('offline', listener);
  };
};

/** Whether the browser says there is signal. */
export const useOnline = (): boolean =>
  useSyncExternalStore(
    subscribeOnline,
    () => navigator.onLine,
    () => true,
  );

/** "on this phone" with the count and the age of the oldest, or "with the firm". No signal is an ordinary state. */
export function SyncLine() {
  const speaker = useSpeaker();
  const { unsent, records, waitingFor } = useUnsent();
  const online = useOnline();
  const oldest = records.find(({ state }) => state === 'waiting')?.command.madeAt;
  const waited = oldest !== undefined && now() - Date.parse(oldest) > 60_000 ? `, ${say(speaker, 'state.oldest', { age: ageText(speaker, oldest) })}` : '';
  // Without signal there is nothing to explain.
  const why = online && waitingFor ? `: ${say(speaker, `state.why.${waitingFor}`)}` : '';
  return (
    <View role="status" aria-live="polite" className="shrink">
      <T as="small" className="text-right">
        {unsent > 0
          ? `${say(speaker, 'state.onPhone')}, ${say(speaker, 'state.unsent', { count: unsent })}${waited}${why}`
          : online
            ? say(speaker, 'state.withFirm')
            : say(speaker, 'state.onPhone')}
      </T>
    </View>
  );
}

const Settling = lazy(() => whenItComes(() => import('../../outbox/Returned')));

const useStorageProblem = (): StorageProblem | null => useSyncExternalStore(storage.subscribe, storage.problem, storage.problem);

function StorageSaid({ problem }: { problem: StorageProblem }) {
  const speaker = useSpeaker();
  return (
    <View role="alert" className="bg-stop-fill px-4 py-2">
      <T tone="stop">{sayCoded(speaker, `state.storage.${problem}`)}</T>
    </View>
  );
}

/** What stands in the way of opening what this phone keeps, before there is a screen. */
export function StorageInTheWay() {
  const problem = useStorageProblem();
  return problem ? <StorageSaid problem={problem} /> : null;
}

/** What stands between this page and what it keeps, else what came back from the firm to be settled. */
export function Returned() {
  const { records } = useUnsent();
  const problem = useStorageProblem();
  if (problem) return <StorageSaid problem={problem} />;
  if (!records.some(({ state }) => state === 'parked' || state === 'refused')) return null;
  return (
    <Suspense fallback={null}>
      <Settling />
    </Suspense>
  );
}
