import { say } from '@tufa/words/speak';
import { Link } from 'expo-router';
import { Pressable, View } from 'react-native';
import { Screen } from '../parts/chrome/Screen';
import { Answer, T } from '../parts/ui/T';
import { useSpeaker } from '../parts/phone/speaker';
import { links } from '../links';

/** Quick sums that change no job. */
export function BenchScreen() {
  const speaker = useSpeaker();
  return (
    <Screen
      title={say(speaker, 'bench.title')}
      head={
        <View className="gap-1">
          <Answer size="number">{say(speaker, 'bench.title')}</Answer>
          <T as="lead">{say(speaker, 'bench.lead')}</T>
        </View>
      }
    >
      <Link href={links.window()} asChild>
        <Pressable className="min-h-[76px] justify-center border-b border-line py-3">
          <T as="strong">{say(speaker, 'bench.window')}</T>
          <T as="faint">{say(speaker, 'bench.windowLead')}</T>
        </Pressable>
      </Link>
    </Screen>
  );
}
