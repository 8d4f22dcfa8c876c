import '../global.css';
import { PersistQueryClientProvider } from '@tanstack/react-query-persist-client';
import { PLAIN, type Language, type Speaker } from '@tufa/words/speak';
import { Slot, usePathname } from 'expo-router';
import { useCallback, useEffect, useState } from 'react';
import { Root } from '../firm/Root';
import { outbox } from '../outbox/Outbox';
import { kept, persister, queryClient } from '../outbox/queryClient';
import { loadFirm } from '../outbox/useFirm';
import { StorageInTheWay } from '../parts/chrome/SyncLine';
import { wantFocus } from '../parts/ui/focusAnswer';
import { keepInstallPrompt } from '../parts/phone/install';
import { shareParts } from '../parts/phone/later';
import { registerWorker } from '../parts/phone/serviceWorker';
import { phoneLanguage, speakIn } from '../parts/phone/language';
import { SpeakerContext, SpeakInContext } from '../parts/phone/speaker';

/** A screen whose chunk never came, or that failed to draw, says so: never a blank page. */
export { ScreenLost as ErrorBoundary } from '../parts/chrome/ScreenLost';

shareParts();

/** The read cache's shape; a phone with an older one pulls afresh. */
const SHAPE = 'v1';

export default function Layout() {
  const [speaker, setSpeaker] = useState<Speaker | null>(null);
  const path = usePathname();
  useEffect(() => {
    void Promise.all([phoneLanguage(), outbox.open().then(loadFirm)]).then(([language]) =>
      setSpeaker({ ...PLAIN, language, zone: Intl.DateTimeFormat().resolvedOptions().timeZone }),
    );
    registerWorker();
    keepInstallPrompt();
  }, []);
  const speak = useCallback((language: Language): void => {
    void speakIn(language).then((came) => setSpeaker((now) => (now && now.language !== came ? { ...now, language: came } : now)));
  }, []);
  // Set while rendering, before the new screen's heading mounts and asks.
  const [focusedPath, setFocusedPath] = useState(path);
  if (focusedPath !== path) {
    setFocusedPath(path);
    wantFocus();
  }
  if (!speaker) return <StorageInTheWay />;
  return (
    <PersistQueryClientProvider client={queryClient} persistOptions={{ persister, maxAge: Infinity, buster: SHAPE, dehydrateOptions: kept }}>
      <SpeakInContext.Provider value={speak}>
        <SpeakerContext.Provider value={speaker}>
          <Root>
            <Slot />
          </Root>
        </SpeakerContext.Provider>
      </SpeakInContext.Provider>
    </PersistQueryClientProvider>
  );
}
