import '../global.css';
import { PersistQueryClientProvider } from '@tanstack/react-query-persist-client';
import { Slot, usePathname } from 'expo-router';
import { useEffect, useState } from 'react';
import { Root } from '../firm/Root';
import { outbox } from '../outbox/Outbox';
import { kept, persister, queryClient } from '../outbox/queryClient';
import { wantFocus } from '../parts/ui/focusAnswer';
import { keepInstallPrompt } from '../parts/phone/install';
import { registerWorker } from '../parts/phone/serviceWorker';

/** A screen whose chunk never came, or that failed to draw, says so: never a blank page. */
export { ScreenLost as ErrorBoundary } from '../parts/chrome/ScreenLost';

/** The read cache's shape; a phone with an older one pulls afresh. */
const SHAPE = 'v1';

/** English, or for the tests of long words the pseudo-language. */
async function language(): Promise<void> {
  try {
    if (localStorage.getItem('tufa-language') === 'pseudo') (await import('@tufa/words/pseudo')).speakPseudo();
  } catch {
    // A browser that refuses storage speaks English.
  }
}

export default function Layout() {
  const [opened, setOpened] = useState(false);
  const path = usePathname();
  useEffect(() => {
    void Promise.all([outbox.open(), language()]).then(() => setOpened(true));
    registerWorker();
    keepInstallPrompt();
  }, []);
  // Set while rendering, before the new screen's heading mounts and asks.
  const [focusedPath, setFocusedPath] = useState(path);
  if (focusedPath !== path) {
    setFocusedPath(path);
    wantFocus();
  }
  if (!opened) return null;
  return (
    <PersistQueryClientProvider client={queryClient} persistOptions={{ persister, maxAge: Infinity, buster: SHAPE, dehydrateOptions: kept }}>
      <Root>
        <Slot />
      </Root>
    </PersistQueryClientProvider>
  );
}
