import { say } from '@tufa/words/speak';
import type { Href } from 'expo-router';
import { View } from 'react-native';
import { Screen } from '../parts/chrome/Screen';
import { Way } from '../parts/chrome/Way';
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
        <Row key={sum} name={sum} href={sum === 'window' ? links.window() : links.sum(sum)} />
      ))}
      <Row name="lesson" href={links.lesson()} />
      <Row name="rehearse" href={links.rehearse()} />
    </Screen>
  );
}

function Row({ name, href }: { name: (typeof SUMS)[number] | 'lesson' | 'rehearse'; href: Href }) {
  const speaker = useSpeaker();
  return (
    <Way href={href} className="min-h-[76px] justify-center border-b border-line py-3">
      <T as="strong">{say(speaker, `bench.${name}`)}</T>
      <T as="faint">{say(speaker, `bench.${name}Lead`)}</T>
    </Way>
  );
}
