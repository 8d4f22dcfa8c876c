import { useQuery } from '@tanstack/react-query';
import { say } from '@tufa/words/speak';
import { useState } from 'react';
import { View } from 'react-native';
import { api } from '../outbox/api';
import { signIn } from '../outbox/useFirm';
import { Button } from '../parts/ui/Button';
import { Answer, T } from '../parts/ui/T';
import { useSpeaker } from '../parts/phone/speaker';

/** One tap says who holds this phone, so that every write carries its person. */
export function SignIn() {
  const speaker = useSpeaker();
  const { data, isError, refetch } = useQuery({ queryKey: ['people'], queryFn: api.people });
  const [failed, setFailed] = useState<string | null>(null);
  const enter = (id: string): void => {
    signIn(id).catch((error: Error) => setFailed(error.message));
  };
  return (
    <View role="main" className="h-full w-full flex-1 justify-end gap-4 bg-ground p-4 lg:justify-center lg:items-center">
      <View className="w-full max-w-[520px] gap-4">
        <Answer>{say(speaker, 'signIn.title')}</Answer>
        <T as="lead">{say(speaker, 'signIn.lead')}</T>
        {data ? <T as="small">{say(speaker, 'signIn.firm', { firm: data.firm })}</T> : null}
        {failed ? <T tone="stop">{failed}</T> : null}
        {data?.people.map(({ id, name }) => (
          <Button key={id} label={name} big tone="act" onPress={() => enter(id)} />
        ))}
        {isError ? (
          <>
            <T tone="stop">{say(speaker, 'signIn.none')}</T>
            <Button label={say(speaker, 'state.retry')} onPress={() => void refetch()} />
          </>
        ) : null}
      </View>
    </View>
  );
}
