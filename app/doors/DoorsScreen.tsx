import { useQuery } from '@tanstack/react-query';
import { say } from '@tufa/words';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { links } from '../links';
import { api } from '../outbox/api';
import { usePerson } from '../outbox/session';
import { Screen } from '../parts/chrome/Screen';
import { useMay } from '../parts/phone/rights';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { Answer, T } from '../parts/ui/T';
import { DevicesView } from './DevicesView';
import { OwnDoorsView } from './OwnDoorsView';
import { PeopleView } from './PeopleView';
import { doorText } from './useDoorForm';

/** Who is of the firm, what each may do and from which devices, for its owner; one's own way in, for everybody. */
export function DoorsScreen() {
  const speaker = useSpeaker();
  const router = useRouter();
  const person = usePerson();
  const owner = useMay('doors');
  const { data, error, refetch } = useQuery({ queryKey: ['doors'], queryFn: api.doors, enabled: owner, staleTime: 0 });
  return (
    <Screen
      title={say(speaker, 'doors.title')}
      head={
        <View className="gap-1">
          <Answer size="number">{say(speaker, 'doors.title')}</Answer>
          {owner ? <T as="lead">{say(speaker, 'doors.lead')}</T> : null}
        </View>
      }
    >
      {error ? (
        <View role="alert">
          <T tone="stop">{doorText(speaker, error)}</T>
        </View>
      ) : null}
      {owner && person ? <PeopleView state={data} me={person.id} onChanged={() => void refetch()} /> : null}
      {owner && data ? <DevicesView devices={data.devices} onChanged={() => void refetch()} /> : null}
      {person ? <OwnDoorsView personId={person.id} /> : null}
      {owner ? <Button label={say(speaker, 'doors.trail')} onPress={() => router.push(links.trail())} /> : null}
    </Screen>
  );
}
