import { rolesOf } from '@tufa/core/pour';
import { say } from '@tufa/words';
import { format } from 'date-fns/format';
import Head from 'expo-router/head';
import { useMemo } from 'react';
import { ScrollView, Text, View } from 'react-native';
import { servesText } from '../mix/batchText';
import { StepScreen } from '../parts/job/StepScreen';
import type { JobView } from '../parts/job/useJob';
import { useAnswerFocus } from '../parts/ui/focusAnswer';
import { useSpeaker } from '../parts/phone/speaker';
import { useWide } from '../parts/phone/useSize';
import { SyncLine } from '../parts/chrome/SyncLine';
import { T } from '../parts/ui/T';
import { clockOf } from './clocks';
import { digitsOf, unitWords } from './digitsOf';
import { siteClocksOf } from './siteClocksOf';
import { useNow } from './useNow';
import { useWakeLock } from './useWakeLock';

export const SiteScreen = () => <StepScreen step="pour">{(view) => <Site key={view.job.id} view={view} />}</StepScreen>;

/** A pour on a large screen that nobody touches: who runs which batch and how long, read from across the yard, and what follows. */
function Site({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const heading = useAnswerFocus();
  const wide = useWide();
  useWakeLock();
  const at = useNow(view, true) + view.clockOffset;
  const running = useMemo(
    () =>
      view.batches
        .filter((batch) => batch.running)
        .flatMap((batch) => {
          const found = clockOf(view.data, batch);
          return found ? [{ batch, ...found }] : [];
        }),
    [view.batches, view.data],
  );
  const follows = siteClocksOf(view)
    .filter(({ passedAt }) => passedAt === null)
    .slice(0, 8);
  const roles = rolesOf(view.events);
  const name = (id: string): string => view.data.person[id]?.name ?? '';
  return (
    <ScrollView className="h-full w-full flex-1 bg-ground" contentContainerClassName={`gap-4 ${wide ? 'p-6' : 'p-4'}`} role="main" tabIndex={0} testID="site">
      <Head>
        <title>{`${say(speaker, 'step.pour')}, ${view.job.name}, ${say(speaker, 'tufa')}`}</title>
      </Head>
      <View className="flex-row flex-wrap items-center justify-between gap-2">
        <Text ref={heading} role="heading" aria-level={1} tabIndex={-1} className="font-head shrink text-36 font-extrabold leading-36 text-ink">
          {view.job.name}
        </Text>
        <View className={wide ? 'items-end' : 'w-full'}>
          <SyncLine />
          <Text className="font-head text-28 font-bold text-ink">{format(at - view.clockOffset, 'HH:mm')}</Text>
        </View>
      </View>
      {[...roles].length > 0 ? (
        <T as="strong">
          {[...roles].map(([id, role]) => say(speaker, 'pour.rolesOf', { name: name(id), roles: say(speaker, `pour.roles.${role}`) })).join(', ')}
        </T>
      ) : null}
      <View className={wide ? 'flex-row gap-4' : 'gap-4'}>
        <View className={`flex-row flex-wrap gap-4 ${wide ? 'flex-[2]' : ''}`}>
          {running.length === 0 ? <T as="lead">{say(speaker, 'pour.nothingRuns')}</T> : null}
          {running.map(({ batch, clock, planned }) => {
            const reading = clock.at(Math.max(0, (at - batch.startedAt) / 1000));
            const placed = batch.placedAt !== null;
            const { digits } = digitsOf(reading.left_s);
            return (
              <View key={`${batch.findingId} ${batch.batch}`} className="min-w-[260px] flex-1 justify-between border-4 border-ink bg-sheet p-4">
                <T as="strong">{`${say(speaker, 'mix.batchOf', { number: batch.batch })}, ${name(batch.person)}`}</T>
                <Text
                  className={`font-head font-extrabold ${reading.left_s < 0 ? 'text-stop' : 'text-ink'}`}
                  style={{ fontSize: 140, lineHeight: 140, fontVariant: ['tabular-nums'] }}
                >
                  {digits}
                </Text>
                <T as="number">{unitWords(speaker, reading.left_s, placed, planned.shots !== null)}</T>
                <T as="strong">{say(speaker, `pour.phase.${planned.make}.${reading.phase}`)}</T>
                <T>{servesText(speaker, view.data, planned)}</T>
              </View>
            );
          })}
        </View>
        <View className={wide ? 'flex-1' : ''}>
          <T as="h2">{say(speaker, 'after.title')}</T>
          {follows.map(({ key, code, batch, at: from, planned }) => (
            <View key={key} className={`border-b border-line py-2 ${from <= at ? 'bg-caution-fill px-2' : ''}`}>
              <T as="strong">{`${format(from - view.clockOffset, 'HH:mm')}  ${say(speaker, `after.name.${code}`)}, ${say(speaker, 'mix.batchOf', { number: batch })}`}</T>
              <T as="small">{servesText(speaker, view.data, planned)}</T>
            </View>
          ))}
        </View>
      </View>
    </ScrollView>
  );
}
