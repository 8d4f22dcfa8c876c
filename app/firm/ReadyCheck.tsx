import { say, sayCoded } from '@tufa/words';
import { useQuery } from '@tanstack/react-query';
import { View } from 'react-native';
import { storage } from '../parts/phone/storage';
import { useFirm } from '../outbox/useFirm';
import { Lines, type Line } from '../parts/ui/Lines';
import { T } from '../parts/ui/T';
import { useSpeaker } from '../parts/phone/speaker';

/** Less room than this and a day's photographs may not fit, bytes. */
const ROOM = 50e6;

/** What the browser says of itself: is the application kept, is the store safe, is there room. */
async function askBrowser(): Promise<{ kept: boolean; safe: boolean; room: boolean }> {
  const names = 'caches' in window ? await caches.keys() : [];
  const sizes = await Promise.all(names.map(async (name) => (await (await caches.open(name)).keys()).length));
  const { quota = Infinity, usage = 0 } = (await navigator.storage?.estimate?.()) ?? {};
  return {
    kept: Boolean(navigator.serviceWorker?.controller) && sizes.some((size) => size > 0),
    safe: (await navigator.storage?.persisted?.()) ?? false,
    room: quota - usage > ROOM,
  };
}

/** Before leaving for a place without signal: what is on this phone, and what is missing. */
export function ReadyCheck() {
  const speaker = useSpeaker();
  const firm = useFirm();
  const { data: browser } = useQuery({ queryKey: ['ready'], queryFn: askBrowser, staleTime: 0, gcTime: 0, networkMode: 'always' });
  if (!browser) return null;
  const jobs = Object.values(firm.data.job).filter(({ removed }) => !removed).length;
  const sheets = Object.values(firm.data.sheet).length;
  const checks: readonly (readonly [string, boolean, string])[] = [
    ['application', browser.kept, ''],
    [
      'jobs',
      firm.ready && sheets > 0,
      firm.ready ? say(speaker, 'ready.count', { jobs: say(speaker, 'jobs.count', { count: jobs }), sheets: String(sheets) }) : '',
    ],
    ['outbox', storage.problem() === null, ''],
    ['room', browser.room, ''],
  ];
  const lacks = window.isSecureContext ? [] : (['install', 'offline', 'camera', 'wake', 'passkey', 'notify'] as const);
  const ready = checks.every(([, good]) => good);
  return (
    <View className="gap-1" testID="ready">
      <T as="h2" tone={ready ? 'ink' : 'caution'}>
        {say(speaker, ready ? 'ready.yes' : 'ready.no')}
      </T>
      {lacks.length > 0 ? (
        <T tone="caution">{say(speaker, 'lan.insecure', { what: lacks.map((what) => say(speaker, `lan.lacks.${what}`)).join(', ') })}</T>
      ) : null}
      <Lines
        label={say(speaker, 'ready.title')}
        lines={[
          ...checks.map(([name, good, detail]): Line => [
            sayCoded(speaker, `ready.${name}`),
            good ? detail || say(speaker, 'ready.good') : sayCoded(speaker, `ready.mend.${name}`),
            good ? undefined : 'caution',
          ]),
          [say(speaker, 'ready.safe'), say(speaker, browser.safe ? 'ready.good' : 'ready.unsafe')],
        ]}
      />
    </View>
  );
}
