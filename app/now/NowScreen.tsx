import type { FirmData, RowOf } from '@tufa/contract/entities';
import { say, sayCoded } from '@tufa/words/speak';
import { useRouter } from 'expo-router';
import { lazy, Suspense, useMemo } from 'react';
import { Pressable, View } from 'react-native';
import { useFirm } from '../outbox/useFirm';
import { Button, Word } from '../parts/ui/Button';
import { Screen } from '../parts/chrome/Screen';
import { Standing } from '../parts/chrome/Standing';
import { SyncLine } from '../parts/chrome/SyncLine';
import { Answer, T } from '../parts/ui/T';
import { whenItComes } from '../parts/phone/later';
import { JobPicture, jobsOf } from '../jobs/JobList';
import { running, waitingFor } from './waiting';
import type { Speaker } from '@tufa/words/speak';
import { useSpeaker } from '../parts/phone/speaker';
import { links } from '../links';

const KitAsked = lazy(() => whenItComes(() => import('./KitAsked')).then(({ KitAsked: Part }) => ({ default: Part })));

/** What to do now, and what waits. The plan itself is not computed here: this is the first screen on a slow phone. */
export function NowScreen() {
  const speaker = useSpeaker();
  const firm = useFirm();
  const router = useRouter();
  const { data } = firm;
  const jobs = jobsOf(data);
  const live = useMemo(() => running(data), [data]);
  const liveJob = live[0] ? data.job[live[0].jobId] : undefined;
  const planned = jobs
    .filter(({ id, pourOn }) => pourOn !== null && waitingFor(data, id).code === 'pour')
    .sort((a, b) => ((a.pourOn ?? '') < (b.pourOn ?? '') ? -1 : 1));
  const next = liveJob ?? planned[0];
  return (
    <Screen
      title={say(speaker, 'nav.now')}
      head={
        <View className="gap-2">
          <View className="flex-row items-center justify-between">
            <SyncLine />
            <Word label={say(speaker, 'nav.firm')} onPress={() => router.push(links.firm())} />
          </View>
          <Answer>{headline(speaker, next, live.length, liveJob !== undefined)}</Answer>
          <T as="lead">
            {next
              ? liveJob
                ? say(speaker, 'now.leadRunning', { name: next.name })
                : say(speaker, 'now.leadJob', { customer: next.customer, note: next.accessNote })
              : say(speaker, 'now.lead')}
          </T>
        </View>
      }
      foot={
        next ? (
          <Button label={say(speaker, liveJob ? 'now.running' : 'now.open')} tone="act" big onPress={() => router.push(links.step(next.id, 'pour'))} />
        ) : (
          <Button label={say(speaker, 'now.newJob')} tone="act" big onPress={() => router.push(links.newJob())} />
        )
      }
    >
      <Standing firm={firm} />
      <Suspense fallback={null}>
        <KitAsked data={data} />
      </Suspense>
      <T as="h2" className="mt-2">
        {say(speaker, 'now.waiting')}
      </T>
      {firm.ready && jobs.length === 0 ? (
        <>
          <T as="lead">{say(speaker, 'now.nothing')}</T>
          <Button label={say(speaker, 'now.trySum')} onPress={() => router.push(links.window())} />
        </>
      ) : null}
      <View>
        {jobs.map((job) => (
          <Waiting key={job.id} data={data} job={job} />
        ))}
      </View>
      {next ? <Button label={say(speaker, 'now.newJob')} onPress={() => router.push(links.newJob())} /> : null}
    </Screen>
  );
}

function headline(speaker: Speaker, job: RowOf<'job'> | undefined, count: number, isRunning: boolean): string {
  if (!job) return say(speaker, 'now.title');
  if (isRunning) return say(speaker, 'now.titleRunning', { count });
  return say(speaker, 'now.titleJob', { name: job.name.toLowerCase(), time: (job.pourOn ?? '').slice(11) });
}

function Waiting({ data, job }: { data: FirmData; job: RowOf<'job'> }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const wait = waitingFor(data, job.id);
  return (
    <Pressable
      role="link"
      onPress={() => router.push(links.step(job.id, wait.step))}
      className="min-h-[76px] flex-row items-center gap-4 border-b border-line py-3"
    >
      <JobPicture data={data} jobId={job.id} />
      <View className="flex-1">
        <T as="strong">{job.name}</T>
        <T as="faint">{sayCoded(speaker, `now.wait.${wait.code}`)}</T>
      </View>
    </Pressable>
  );
}
