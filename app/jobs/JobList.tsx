import type { FirmData, RowOf } from '@tufa/contract/entities';
import { say } from '@tufa/words/speak';
import { lazy, memo, Suspense } from 'react';
import { ScrollView, Text, View } from 'react-native';
import { Way } from '../parts/chrome/Way';
import { whenItComes } from '../parts/phone/later';
import { useFirm } from '../outbox/useFirm';
import { Growing } from '../parts/ui/Growing';
import { T } from '../parts/ui/T';
import { useSpeaker } from '../parts/phone/speaker';
import { links } from '../links';

/** The firm's jobs by their names. */
export const jobsOf = (data: FirmData): RowOf<'job'>[] =>
  Object.values(data.job)
    .filter(({ removed }) => !removed)
    .sort((a, b) => (a.name < b.name ? -1 : 1));

/** Of one picture of a line and between two, px. */
const PICTURE = 48;
const GAP = 4;

const Drawing = lazy(() => whenItComes(() => import('./JobDrawing')).then(({ JobDrawing }) => ({ default: JobDrawing })));

/** A line's picture is one drawing, or two sections over each other. */
const heightOf = (drawn: number): number => (drawn > 1 ? drawn * PICTURE + (drawn - 1) * GAP : PICTURE);

/** The place of a job's small drawing; the drawing comes with the work chunk, after the words. */
export function JobPicture({ jobId, drawn }: { jobId: string; drawn: number }) {
  return (
    <View className="w-[64px]" style={{ minHeight: heightOf(drawn) }}>
      <Suspense fallback={null}>
        <Drawing jobId={jobId} />
      </Suspense>
    </View>
  );
}

const JobLine = memo(function JobLine({ id, name, customer, on }: { id: string; name: string; customer: string; on: boolean }) {
  return (
    <Way
      href={links.step(id, 'walk')}
      aria-current={on ? 'true' : undefined}
      className={`min-h-[64px] justify-center border-b border-line px-4 py-2 ${on ? 'bg-selected' : ''}`}
    >
      <Text className={`font-text text-16 font-bold ${on ? 'text-on-selected' : 'text-ink'}`}>{name}</Text>
      <Text className={`font-text text-14 ${on ? 'text-on-selected' : 'text-faint'}`}>{customer}</Text>
    </Way>
  );
});

/** The jobs beside the work on a wide screen. */
export const JobList = memo(function JobList({ currentId }: { currentId: string }) {
  const speaker = useSpeaker();
  const { data } = useFirm();
  return (
    <View className="flex-1" role="navigation" aria-label={say(speaker, 'jobs.title')}>
      <View className="px-4 py-4">
        <T as="h2">{say(speaker, 'jobs.title')}</T>
      </View>
      <ScrollView className="flex-1">
        <Growing rows={jobsOf(data).filter(({ id, closedOn }) => !closedOn || id === currentId)} first={data.job[currentId]}>
          {({ id, name, customer }) => <JobLine id={id} name={name} customer={customer} on={id === currentId} />}
        </Growing>
      </ScrollView>
    </View>
  );
});
