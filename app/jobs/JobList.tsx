import type { FirmData, RowOf } from '@tufa/contract/entities';
import { say } from '@tufa/words/speak';
import { Link } from 'expo-router';
import { lazy, Suspense } from 'react';
import { Pressable, ScrollView, Text, View } from 'react-native';
import { whenItComes } from '../parts/phone/later';
import { T } from '../parts/ui/T';
import { useSpeaker } from '../parts/phone/speaker';
import { links } from '../links';
import { foundIn, SECTIONS_MOST } from './foundIn';

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
function pictureHeight(data: FirmData, jobId: string): number {
  const drawn = Math.min(SECTIONS_MOST, foundIn(data, jobId).length);
  return drawn > 1 ? drawn * PICTURE + (drawn - 1) * GAP : PICTURE;
}

/** The place of a job's small drawing; the drawing comes with the work chunk, after the words. */
export function JobPicture({ data, jobId }: { data: FirmData; jobId: string }) {
  return (
    <View className="w-[64px]" style={{ minHeight: pictureHeight(data, jobId) }}>
      <Suspense fallback={null}>
        <Drawing data={data} jobId={jobId} />
      </Suspense>
    </View>
  );
}

/** The jobs beside the work on a wide screen. */
export function JobList({ data, currentId }: { data: FirmData; currentId: string }) {
  const speaker = useSpeaker();
  return (
    <View className="flex-1" role="navigation" aria-label={say(speaker, 'jobs.title')}>
      <View className="px-4 py-4">
        <T as="h2">{say(speaker, 'jobs.title')}</T>
      </View>
      <ScrollView className="flex-1">
        {jobsOf(data).map((job) => {
          const on = job.id === currentId;
          return (
            <Link key={job.id} href={links.step(job.id, 'walk')} asChild>
              <Pressable
                aria-current={on ? 'true' : undefined}
                className={`min-h-[64px] justify-center border-b border-line px-4 py-2 ${on ? 'bg-selected' : ''}`}
              >
                <Text className={`font-text text-16 font-bold ${on ? 'text-on-selected' : 'text-ink'}`}>{job.name}</Text>
                <Text className={`font-text text-14 ${on ? 'text-on-selected' : 'text-faint'}`}>{job.customer}</Text>
              </Pressable>
            </Link>
          );
        })}
      </ScrollView>
    </View>
  );
}
