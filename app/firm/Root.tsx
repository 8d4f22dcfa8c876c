import { say } from '@tufa/words/speak';
import { lazy, Suspense, useMemo, type ReactNode } from 'react';
import { View } from 'react-native';
import { useFirm, useStandings, usePerson, usePulledEarly, useSync } from '../outbox/useFirm';
import { Fetching } from '../parts/chrome/Fetching';
import { Button } from '../parts/ui/Button';
import { applyUpdate, useUpdate } from '../parts/phone/serviceWorker';
import { T } from '../parts/ui/T';
import { whenItComes } from '../parts/phone/later';
import { useWide } from '../parts/phone/useSize';
import { SignIn } from './SignIn';
import { SpeakerContext, useSpeaker } from '../parts/phone/speaker';

const Shortcuts = lazy(() => whenItComes(() => import('../parts/chrome/Shortcuts')));

/** Signed in or not; the firm's units; a new version offered, never while a batch runs. */
export function Root({ children }: { children: ReactNode }) {
  const person = usePerson();
  usePulledEarly(person === undefined ? undefined : person !== null);
  useSync(Boolean(person));
  if (person === undefined) return <Fetching />;
  if (person === null) return <SignIn />;
  return <SignedIn>{children}</SignedIn>;
}

function SignedIn({ children }: { children: ReactNode }) {
  const { data } = useFirm();
  const standings = useStandings();
  const settings = Object.values(data.firm)[0]?.settings;
  const phone = useSpeaker();
  const [system, currency] = [settings?.system ?? phone.system, settings?.currency ?? phone.currency];
  const speaker = useMemo(() => ({ ...phone, system, currency }), [phone, system, currency]);
  const update = useUpdate();
  const wide = useWide();
  return (
    <SpeakerContext.Provider value={speaker}>
      <View className="h-full w-full flex-1 bg-ground">
        {update && Object.values(standings).every(({ running }) => running.length === 0) ? (
          <View role="status" className="flex-row items-center justify-between bg-selected px-4 py-1">
            <T className="text-on-selected">{say(speaker, 'state.update')}</T>
            <Button label={say(speaker, 'state.reload')} onPress={applyUpdate} />
          </View>
        ) : null}
        {children}
        {wide ? (
          <Suspense fallback={null}>
            <Shortcuts />
          </Suspense>
        ) : null}
      </View>
    </SpeakerContext.Provider>
  );
}
