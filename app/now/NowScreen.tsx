import type { RowOf } from '@tufa/contract/entities';
import { say, sayCoded } from '@tufa/words/speak';
import { useRouter } from 'expo-router';
import { lazy, Suspense, useMemo, type ReactNode } from 'react';
import { View } from 'react-native';
import { useFirm, useStandings } from '../outbox/useFirm';
import { Growing } from '../parts/ui/Growing';
import { NOTHING_YET, type Standing as JobStanding } from '../rows/standing';
import { Button, Word } from '../parts/ui/Button';
import { Fetching } from '../parts/chrome/Fetching';
import { Screen } from '../parts/chrome/Screen';
import { Standing } from '../parts/chrome/Standing';
import { Way } from '../parts/chrome/Way';
import { SyncLine, useOnline } from '../parts/chrome/SyncLine';
import { Answer, T } from '../parts/ui/T';
import { JobPicture, jobsOf } from '../jobs/JobList';
import { daysAhead, poursTomorrow } from '../fix/poursTomorrow';
import { whenItComes } from '../parts/phone/later';
import { useWide } from '../parts/phone/useSize';
import { CareDue } from './CareDue';
import { TomorrowsKit } from './TomorrowsKit';
import type { Speaker } from '@tufa/words/speak';
import { useSpeaker } from '../parts/phone/speaker';
import { links } from '../links';
import { sayDate } from '@tufa/words/dates';

const GoodHours = lazy(() => whenItComes(() => import('./GoodHours')).then(({ GoodHours: Part }) => ({ default: Part })));

/** What to do now, and what waits. The plan itself is not computed here: this is the first screen on a slow phone. */
export function NowScreen() {
  const speaker = useSpeaker();
  const firm = useFirm();
  const router = useRouter();
  const online = useOnline();
  const wide = useWide();
  const { data } = firm;
  const jobs = jobsOf(data).filter(({ closedOn }) => !closedOn);
  const standings = useStandings();
  const live = useMemo(() => Object.entries(standings).flatMap(([jobId, { running }]) => running.map(() => jobId)), [standings]);
  const liveJob = live[0] ? data.job[live[0]] : undefined;
  const next = liveJob ?? upNext(jobs.filter(({ id, pourOn }) => pourOn !== null && standings[id]?.wait.code === 'pour'));
  // The job whose weather matters next: the one that pours, else the first that only waits for its day.
  const looked = liveJob ? undefined : (next ?? jobs.find(({ id, place }) => place && ['day', 'pour'].includes(standings[id]?.wait.code ?? '')));
  // Nothing is said to be planned or not before the firm has answered.
  if (online && !firm.ready && !firm.failed) return <Fetching />;
  return (
    <Screen
      broad={wide}
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
          <Button
            label={say(speaker, liveJob ? 'now.running' : next && daysAhead(next) === 0 ? 'now.open' : 'now.openPlanned')}
            tone="act"
            big
            onPress={() => router.push(links.step(next.id, 'pour'))}
          />
        ) : (
          <Button writes="job.add" label={say(speaker, 'now.newJob')} tone="act" big onPress={() => router.push(links.newJob())} />
        )
      }
    >
      <Standing firm={firm} />
      <Columns wide={wide}>
        {looked ? (
          <Suspense fallback={null}>
            <GoodHours key={looked.id} job={looked} />
          </Suspense>
        ) : null}
        <>
          <Growing rows={jobs.filter(poursTomorrow)} gap>
            {(job) => <TomorrowsKit job={job} />}
          </Growing>
          <CareDue data={data} />
        </>
        <>
          <T as="h2" className={wide ? '' : 'mt-2'}>
            {say(speaker, 'now.waiting')}
          </T>
          {firm.ready && jobs.length === 0 ? (
            <>
              <T as="lead">{say(speaker, 'now.nothing')}</T>
              <Button label={say(speaker, 'now.trySum')} onPress={() => router.push(links.window())} />
            </>
          ) : null}
          <Growing rows={jobs}>{(job) => <Waiting key={job.id} job={job} standing={standings[job.id] ?? NOTHING_YET} />}</Growing>
          {next ? <Button writes="job.add" label={say(speaker, 'now.newJob')} onPress={() => router.push(links.newJob())} /> : null}
        </>
      </Columns>
    </Screen>
  );
}

/** Parts of a screen: side by side where there is room, else below each other. What is not there takes no room. */
function Columns({ wide, children }: { wide: boolean; children: readonly ReactNode[] }) {
  if (!wide) return children;
  return (
    <View className="flex-row items-start gap-8">
      {children.map((part, i) =>
        part ? (
          // The parts of a screen keep their places.
          <View key={i} className="min-w-0 flex-1 gap-4 empty:hidden">
            {part}
          </View>
        ) : null,
      )}
    </View>
  );
}

/** The next that is planned; where nothing lies ahead the last that was. */
function upNext(planned: readonly RowOf<'job'>[]): RowOf<'job'> | undefined {
  const [ahead, behind] = [planned.filter((job) => daysAhead(job) >= 0), planned.filter((job) => daysAhead(job) < 0)];
  const sorted = (jobs: readonly RowOf<'job'>[]) => [...jobs].sort((a, b) => ((a.pourOn ?? '') < (b.pourOn ?? '') ? -1 : 1));
  return sorted(ahead)[0] ?? sorted(behind).at(-1);
}

function headline(speaker: Speaker, job: RowOf<'job'> | undefined, count: number, isRunning: boolean): string {
  if (!job) return say(speaker, 'now.title');
  if (isRunning) return say(speaker, 'now.titleRunning', { count });
  const [name, time] = [job.name.toLowerCase(), (job.pourOn ?? '').slice(11)];
  const ahead = daysAhead(job);
  if (ahead === 0) return say(speaker, 'now.titleJob', { name, time });
  if (ahead === 1) return say(speaker, 'now.titleTomorrow', { name, time });
  const date = (job.pourOn ?? '').slice(0, 10);
  const day = Math.abs(ahead) < 7 ? sayDate(speaker, date, 'weekday') : sayDate(speaker, date, 'date');
  return ahead > 0 ? say(speaker, 'now.titleLater', { day, name, time }) : say(speaker, 'now.titlePast', { name: job.name, day });
}

function Waiting({ job, standing: { wait, drawn } }: { job: RowOf<'job'>; standing: JobStanding }) {
  const speaker = useSpeaker();
  return (
    <Way href={links.step(job.id, wait.step)} className="min-h-[76px] flex-row items-center gap-4 border-b border-line py-3">
      <JobPicture jobId={job.id} drawn={drawn} />
      <View className="flex-1">
        <T as="strong">{job.name}</T>
        <T as="faint">{sayCoded(speaker, `now.wait.${wait.code}`)}</T>
      </View>
    </Way>
  );
}
