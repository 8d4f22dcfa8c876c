import '../global.css';
import { PersistQueryClientProvider } from '@tanstack/react-query-persist-client';
import { Slot, usePathname } from 'expo-router';
import { useEffect, useState } from 'react';
import { Root } from '../firm/Root';
import { outbox } from '../outbox/Outbox';
import { persister, queryClient } from '../outbox/queryClient';
import { wantFocus } from '../parts/focusAnswer';
import { keepInstallPrompt } from '../parts/install';
import { registerWorker } from '../parts/serviceWorker';

/** The read cache's shape; a phone with an older one pulls afresh. */
const SHAPE = 'v1';

export default function Layout() {
  const [opened, setOpened] = useState(false);
  const path = usePathname();
  useEffect(() => {
    void outbox.open().then(() => setOpened(true));
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
    <PersistQueryClientProvider client={queryClient} persistOptions={{ persister, maxAge: Infinity, buster: SHAPE }}>
      <Root>
        <Slot />
      </Root>
    </PersistQueryClientProvider>
  );
}
