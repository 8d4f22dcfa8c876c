import { say } from '@tufa/words/speak';
import type { Role } from '@tufa/contract/rights';
import { usePathname } from 'expo-router';
import { lazy, Suspense, useContext, useEffect, useMemo, type ReactNode } from 'react';
import { View } from 'react-native';
import { useFirm, useStandings, usePulledEarly, useSync } from '../outbox/useFirm';
import { usePerson, useShutOut } from '../outbox/session';
import { Fetching } from '../parts/chrome/Fetching';
import { Button } from '../parts/ui/Button';
import { applyUpdate, useUpdate } from '../parts/phone/serviceWorker';
import { T } from '../parts/ui/T';
import { whenItComes } from '../parts/phone/later';
import { useWide } from '../parts/phone/useSize';
import { ShutOut } from '../doors/ShutOut';
import { SignIn } from '../doors/SignIn';
import { RightsContext } from '../parts/phone/rights';
import { SpeakerContext, SpeakInContext, useSpeaker } from '../parts/phone/speaker';

const Shortcuts = lazy(() => whenItComes(() => import('../parts/chrome/Shortcuts')));

const BEFORE_THE_DOORS: ReadonlySet<string> = new Set(['/start', '/join', '/recovery']);

/** Signed in or not; the firm's units; a new version offered, never while a batch runs. */
export function Root({ children }: { children: ReactNode }) {
  const person = usePerson();
  usePulledEarly(person === undefined ? undefined : person !== null);
  useSync(Boolean(person));
  const shut = useShutOut();
  const path = usePathname();
  if (shut) return <ShutOut taking={shut.taking} />;
  if (person === undefined) return <Fetching />;
  // Whoever has a code, an invitation or a lost passphrase comes before anybody is signed in.
  if (person === null) return BEFORE_THE_DOORS.has(path) ? children : <SignIn />;
  return (
    <SignedIn me={person.id} role={person.role}>
      {children}
    </SignedIn>
  );
}

function SignedIn({ me, role, children }: { me: string; role: Role; children: ReactNode }) {
  const { data } = useFirm();
  const standings = useStandings();
  const settings = Object.values(data.firm)[0]?.settings;
  const phone = useSpeaker();
  const speakIn = useContext(SpeakInContext);
  // Whoever has chosen a language is spoken to in it on every phone; the tests' long words stay.
  const chosen = data.person[me]?.language;
  useEffect(() => {
    if (chosen && phone.language !== 'pseudo') speakIn(chosen);
  }, [chosen, phone.language, speakIn]);
  const [system, currency] = [settings?.system ?? phone.system, settings?.currency ?? phone.currency];
  const speaker = useMemo(() => ({ ...phone, system, currency }), [phone, system, currency]);
  const update = useUpdate();
  const wide = useWide();
  return (
    <RightsContext.Provider value={role}>
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
    </RightsContext.Provider>
  );
}
