import { say } from '@tufa/words/speak';
import { Link } from 'expo-router';
import { Pressable, View } from 'react-native';
import { Screen } from '../parts/chrome/Screen';
import { Answer, T } from '../parts/ui/T';
import { useSpeaker } from '../parts/phone/speaker';
import { links } from '../links';

/** The sums, in the order in which they are asked for. */
const SUMS = ['window', 'bag', 'cover', 'crack', 'slurry', 'counter', 'water', 'strength', 'damp', 'convert'] as const;

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
      {SUMS.map((sum) => (
        <Link key={sum} href={sum === 'window' ? links.window() : links.sum(sum)} asChild>
          <Pressable className="min-h-[76px] justify-center border-b border-line py-3">
            <T as="strong">{say(speaker, `bench.${sum}`)}</T>
            <T as="faint">{say(speaker, `bench.${sum}Lead`)}</T>
          </Pressable>
        </Link>
      ))}
      <Link href={links.lesson()} asChild>
        <Pressable className="min-h-[76px] justify-center border-b border-line py-3">
          <T as="strong">{say(speaker, 'bench.lesson')}</T>
          <T as="faint">{say(speaker, 'bench.lessonLead')}</T>
        </Pressable>
      </Link>
      <Link href={links.rehearse()} asChild>
        <Pressable className="min-h-[76px] justify-center border-b border-line py-3">
          <T as="strong">{say(speaker, 'bench.rehearse')}</T>
          <T as="faint">{say(speaker, 'bench.rehearseLead')}</T>
        </Pressable>
      </Link>
    </Screen>
  );
}
