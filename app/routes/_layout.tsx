import '../global.css';
import { PersistQueryClientProvider } from '@tanstack/react-query-persist-client';
import { Slot, usePathname } from 'expo-router';
import { useEffect, useState } from 'react';
import { Root } from '../firm/Root';
import { outbox } from '../outbox/Outbox';
import { persister, queryClient } from '../outbox/queryClient';
import { registerWorker } from '../parts/serviceWorker';

/** The read cache's shape; a phone with an older one pulls afresh. */
const SHAPE = 'v1';

export default function Layout() {
  const [opened, setOpened] = useState(false);
  const path = usePathname();
  useEffect(() => {
    void outbox.open().then(() => setOpened(true));
    registerWorker();
  }, []);
  // Focus falls to the body after navigation; it belongs on the new screen's answer.
  useEffect(() => {
    const frame = requestAnimationFrame(() => document.querySelector<HTMLElement>('h1')?.focus({ preventScroll: true }));
    return () => cancelAnimationFrame(frame);
  }, [path]);
  if (!opened) return null;
  return (
    <PersistQueryClientProvider client={queryClient} persistOptions={{ persister, maxAge: Infinity, buster: SHAPE }}>
      <Root>
        <Slot />
      </Root>
    </PersistQueryClientProvider>
  );
}
