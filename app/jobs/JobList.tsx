import type { FirmData, RowOf } from '@tufa/contract/entities';
import { planScene } from '@tufa/draw';
import { say } from '@tufa/words';
import { Link, type Href } from 'expo-router';
import { useMemo } from 'react';
import { Pressable, ScrollView, Text, View } from 'react-native';
import { SceneView } from '../parts/SceneView';
import { T } from '../parts/T';

export const jobsOf = (data: FirmData): RowOf<'job'>[] =>
  Object.values(data.job)
    .filter(({ removed }) => !removed)
    .sort((a, b) => (a.name < b.name ? -1 : 1));

/** A job's first element with its findings, small: what stands in a list instead of an icon. */
export function JobDrawing({ data, jobId }: { data: FirmData; jobId: string }) {
  const scene = useMemo(() => {
    const element = Object.values(data.element).find((one) => one.jobId === jobId && !one.removed);
    if (!element) return null;
    const findings = Object.values(data.finding).filter((one) => one.elementId === element.id && !one.removed);
    return planScene({
      outline: element.geometry.outline,
      findings: findings.map(({ id, label, outline }) => ({ id, label, points: outline.points })),
      width: 64,
      height: 48,
      unit_m: 1,
      unit: 'm',
      small: true,
    });
  }, [data.element, data.finding, jobId]);
  return <View className="h-[48px] w-[64px] bg-sunk">{scene ? <SceneView scene={scene} bare /> : null}</View>;
}

/** The jobs beside the work on a wide screen. */
export function JobList({ data, currentId }: { data: FirmData; currentId: string }) {
  return (
    <View className="flex-1" role="navigation" aria-label={say('jobs.title')}>
      <View className="px-4 py-4">
        <T as="h2">{say('jobs.title')}</T>
      </View>
      <ScrollView className="flex-1">
        {jobsOf(data).map((job) => {
          const on = job.id === currentId;
          return (
            <Link key={job.id} href={`/jobs/${job.id}/walk` as Href} asChild>
              <Pressable
                aria-current={on ? 'true' : undefined}
                className={`min-h-[64px] justify-center border-b border-line px-4 py-2 ${on ? 'bg-selected' : ''}`}
              >
                <Text className={`font-text text-[16px] font-bold ${on ? 'text-on-selected' : 'text-ink'}`}>{job.name}</Text>
                <Text className={`font-text text-[14px] ${on ? 'text-on-selected' : 'text-faint'}`}>{job.customer}</Text>
              </Pressable>
            </Link>
          );
        })}
      </ScrollView>
    </View>
  );
}
