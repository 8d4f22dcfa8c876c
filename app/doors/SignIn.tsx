import { useQuery } from '@tanstack/react-query';
import { say } from '@tufa/words/speak';
import { Link, usePathname } from 'expo-router';
import { lazy, Suspense, useState } from 'react';
import { View } from 'react-native';
import { links } from '../links';
import { api } from '../outbox/api';
import { enter, thisDevice } from '../outbox/session';
import { whenItComes } from '../parts/phone/later';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { DoorPage } from './DoorPage';

const ByName = lazy(() => whenItComes(() => import('./ByName')).then(({ ByName: part }) => ({ default: part })));

/** Who holds this phone, so that every write carries its person: by role in the demonstration, by name in a firm. */
export function SignIn() {
  const speaker = useSpeaker();
  const { data, isError, refetch } = useQuery({ queryKey: ['people'], queryFn: api.people });
  const [failed, setFailed] = useState<string | null>(null);
  const path = usePathname();
  const byRole = (personId: string): void => {
    api
      .signIn('', { personId, device: thisDevice() })
      .then(enter)
      .catch((error: Error) => setFailed(error.message));
  };
  if (data && !data.demonstration)
    return (
      <Suspense fallback={null}>
        <ByName />
      </Suspense>
    );
  return (
    <DoorPage title={say(speaker, 'signIn.title')} {...(data ? { lead: say(speaker, 'signIn.lead') } : {})} failed={failed}>
      {data ? <T as="small">{say(speaker, 'signIn.firm', { firm: data.firm })}</T> : null}
      {data?.people.map(({ id, name }) => (
        <Button key={id} label={name} big tone="act" onPress={() => byRole(id)} />
      ))}
      {isError ? (
        <>
          <T tone="stop">{say(speaker, 'signIn.none')}</T>
          <Button label={say(speaker, 'state.retry')} onPress={() => void refetch()} />
        </>
      ) : null}
      {data && path !== '/start' ? (
        <View className="flex-row flex-wrap gap-4">
          <Link href={links.start()} className="min-h-[48px] py-3 font-text text-16 text-ink underline">
            {say(speaker, 'signIn.makeFirm')}
          </Link>
        </View>
      ) : null}
    </DoorPage>
  );
}
