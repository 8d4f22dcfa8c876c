import { say } from '@tufa/words/speak';
import Head from 'expo-router/head';
import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { MainBar } from './Bars';
import { Returned } from './SyncLine';
import { useWide } from '../phone/useSize';
import { useSpeaker } from '../phone/speaker';

/** A screen outside the jobs: head with the answer, body that scrolls, foot under the thumb, the main bar. `fixed`: the body scrolls by itself; `broad`: it stands in columns where there is room. */
export function Screen({
  title,
  head,
  children,
  foot,
  fixed = false,
  broad = false,
}: {
  title: string;
  head: ReactNode;
  children: ReactNode;
  foot?: ReactNode;
  fixed?: boolean;
  broad?: boolean;
}) {
  const speaker = useSpeaker();
  const wide = useWide();
  const body = (
    <View role="main" className="flex-1" style={{ overflow: 'auto' } as object}>
      <View className={`w-full flex-1 ${broad ? 'max-w-[1320px]' : 'max-w-[860px]'}`}>
        <Returned />
        <View className="px-4 pb-2 pt-4">{head}</View>
        {fixed ? (
          <View className="min-h-[220px] flex-1">{children}</View>
        ) : (
          <ScrollView tabIndex={0} className="min-h-[120px] flex-1" contentContainerClassName="px-4 pb-6 gap-4" keyboardShouldPersistTaps="handled">
            {children}
          </ScrollView>
        )}
        {foot ? <View className="px-4 pb-3 pt-2">{foot}</View> : null}
      </View>
    </View>
  );
  return (
    <View className={`h-full w-full flex-1 bg-ground ${wide ? 'flex-row' : ''}`}>
      <Head>
        <title>{`${title}, ${say(speaker, 'tufa')}`}</title>
      </Head>
      {wide ? <MainBar rail /> : null}
      {body}
      {wide ? null : <MainBar />}
    </View>
  );
}
