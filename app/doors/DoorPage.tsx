import Head from 'expo-router/head';
import { say } from '@tufa/words/speak';
import { useContext, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { LanguageChoice } from '../parts/chrome/LanguageChoice';
import { spokenOf, SpeakInContext, useSpeaker } from '../parts/phone/speaker';
import { Answer, T } from '../parts/ui/T';

/** A page before the doors: what it is for at the top, its fields and acts under the thumb. */
export function DoorPage({ title, lead, children, failed }: { title: string; lead?: string; children: ReactNode; failed?: string | null }) {
  const speaker = useSpeaker();
  const speakIn = useContext(SpeakInContext);
  return (
    <ScrollView
      role="main"
      className="h-full w-full flex-1 bg-ground"
      contentContainerClassName="grow justify-end lg:justify-center lg:items-center p-4"
      keyboardShouldPersistTaps="handled"
    >
      <Head>
        <title>{title}</title>
      </Head>
      <View className="w-full max-w-[520px] gap-4">
        <Answer size="number">{title}</Answer>
        {lead ? <T as="lead">{lead}</T> : null}
        {failed ? (
          <View role="alert">
            <T tone="stop">{failed}</T>
          </View>
        ) : null}
        {children}
        <LanguageChoice label={say(speaker, 'signIn.language')} value={spokenOf(speaker)} onChange={speakIn} />
      </View>
    </ScrollView>
  );
}
