import { say } from '@tufa/words/speak';
import { useRouter } from 'expo-router';
import { links } from '../../links';
import { useSpeaker } from '../phone/speaker';
import { Button } from '../ui/Button';
import { Answer, T } from '../ui/T';
import { Screen } from './Screen';

/** An address that leads nowhere: a link that was cut, or one of a newer Tufa. */
export function NoSuchPage() {
  const speaker = useSpeaker();
  const router = useRouter();
  return (
    <Screen
      title={say(speaker, 'tufa')}
      head={<Answer size="number">{say(speaker, 'state.noPage')}</Answer>}
      foot={<Button label={say(speaker, 'nav.now')} tone="act" big onPress={() => router.replace(links.now())} />}
    >
      <T as="lead">{say(speaker, 'state.noPageLead')}</T>
    </Screen>
  );
}
