import { say } from '@tufa/words';
import Head from 'expo-router/head';
import { useLocalSearchParams } from 'expo-router';
import { memo, startTransition, useEffect, useState, type ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { JobList } from '../../jobs/JobList';
import { LessonBand } from '../../lesson/LessonBand';
import type { Step } from '../../links';
import { MainBar, StepBar } from '../chrome/Bars';
import { Button } from '../ui/Button';
import { Returned, SyncLine, useOnline } from '../chrome/SyncLine';
import { Answer, T } from '../ui/T';
import type { Firm } from '../../outbox/useFirm';
import { useJob, type JobView } from './useJob';
import { useWide } from '../phone/useSize';
import { useSpeaker } from '../phone/speaker';

/** What a step puts into the frame that all share. */
export interface StepParts {
  readonly head: ReactNode;
  readonly body: ReactNode;
  readonly foot?: ReactNode;
  readonly aside?: ReactNode;
  /** the body does not scroll: its drawing takes what room there is */
  readonly fixed?: boolean;
}

/** Why a job is not here. */
function whyMissing({ ready, away, failed }: Firm, online: boolean) {
  if (ready) return 'state.notFound';
  if (away) return online ? 'state.comingBack' : 'state.away';
  if (failed) return 'state.failed';
  return online ? 'state.loading' : 'state.offline';
}

/** What every step of a job shares: the job from the address, or why it is not here. */
export function StepScreen({ step, children }: { step: Step; children: (view: JobView) => ReactNode }) {
  const speaker = useSpeaker();
  const { job: jobId = '' } = useLocalSearchParams<{ job: string }>();
  const { view, firm, planning } = useJob(jobId, { surveyFirst: step === 'walk' });
  const online = useOnline();
  // A walk goes on while its plan is made; the other steps have nothing to say before.
  if (!view || (planning && step !== 'walk')) {
    const why = view ? 'mix.working' : whyMissing(firm, online);
    return (
      <View className="h-full w-full flex-1 bg-ground" role="main">
        <View className="flex-1 justify-center gap-2 p-4">
          <Answer size="number" passing={why === 'state.loading' || why === 'mix.working'}>
            {say(speaker, `step.${step}`)}
          </Answer>
          <T as="lead">{say(speaker, why)}</T>
        </View>
        <MainBar />
      </View>
    );
  }
  return <Shown view={view} show={children} />;
}

/** A step is looked at again when its job has changed, not with each word about what was sent. */
const Shown = memo(function Shown({ view, show }: { view: JobView; show: (view: JobView) => ReactNode }) {
  return show(view);
});

const Title = memo(function Title({ text }: { text: string }) {
  return (
    <Head>
      <title>{text}</title>
    </Head>
  );
});

/** With large letters or the keypad open, what does not fit is scrolled to. */
const scrolls = { overflow: 'auto' } as object;

/** Whether this page has shown its first step: until then the answer comes before what lies under it. */
let shown = false;

function useBody(): boolean {
  const [body, setBody] = useState(shown);
  useEffect(() => {
    shown = true;
    startTransition(() => setBody(true));
  }, []);
  return body;
}

/** Phone: head, body, foot, step bar. Wide: rail, jobs, work, inspector side by side. */
export function StepLayout({ step, view, parts, bar = true }: { step: Step; view: JobView; parts: StepParts; bar?: boolean }) {
  const speaker = useSpeaker();
  const wide = useWide();
  // A rehearsal has no way to the other steps but its end.
  const real = view.practice === null;
  const { head, foot, fixed = false } = parts;
  const whole = useBody();
  const [body, aside] = whole ? [parts.body, parts.aside] : [null, null];
  const title = <Title text={`${say(speaker, `step.${step}`)}, ${view.job.name}, ${say(speaker, 'tufa')}`} />;
  const top = (
    <View className="flex-row items-center justify-between gap-2">
      <T as="small" className="min-w-[30%] flex-1 font-bold text-ink">
        {view.job.name}
      </T>
      {real ? <SyncLine /> : null}
    </View>
  );
  const led = <LessonBand view={view} step={step} />;
  if (wide)
    return (
      <View className="h-full w-full flex-1 flex-row bg-ground">
        {title}
        {real ? (
          <>
            <MainBar rail />
            <View className="w-[240px] border-r border-line">
              <JobList currentId={view.job.id} />
            </View>
          </>
        ) : null}
        <View role="main" className="flex-1">
          <View className="px-6">{bar && real ? <StepBar jobId={view.job.id} current={step} states={view.steps} top /> : null}</View>
          <Returned />
          <View className="px-6 pb-2 pt-3">
            {top}
            {led}
            {head}
          </View>
          {fixed ? (
            <View className="flex-1 px-6">{body}</View>
          ) : (
            <ScrollView tabIndex={0} className="flex-1" contentContainerClassName="px-6 pb-6 gap-4" keyboardShouldPersistTaps="handled">
              {body}
            </ScrollView>
          )}
          {foot ? <View className="px-6 pb-4 pt-2">{foot}</View> : null}
        </View>
        {aside ? (
          <View role="complementary" aria-label={say(speaker, 'step.open')} className="w-[330px] border-l-2 border-ink bg-sheet">
            <ScrollView tabIndex={0} contentContainerClassName="p-5 gap-4">
              {aside}
            </ScrollView>
          </View>
        ) : null}
      </View>
    );
  return (
    <View className="h-full w-full flex-1 bg-ground">
      {title}
      <View role="main" className="flex-1" style={scrolls}>
        <Returned />
        <View className="px-4 pb-1 pt-2">
          {top}
          {led}
          {head}
        </View>
        {fixed ? (
          <View className="min-h-[120px] flex-1 px-4">{body}</View>
        ) : (
          <ScrollView tabIndex={0} className="min-h-[120px] flex-1" contentContainerClassName="px-4 pb-4 gap-4" keyboardShouldPersistTaps="handled">
            {body}
            {aside}
          </ScrollView>
        )}
        {foot ? <View className="px-4 pb-2 pt-1">{foot}</View> : null}
      </View>
      {bar && real ? <StepBar jobId={view.job.id} current={step} states={view.steps} /> : null}
    </View>
  );
}

/** A step that has nothing to show yet says what to do first, and takes you there. */
export function nothingYet({ title, lead, label, onPress }: { title: string; lead: string; label: string; onPress: () => void }): StepParts {
  return {
    head: <Answer size="number">{title}</Answer>,
    body: <T as="lead">{lead}</T>,
    foot: <Button label={label} tone="act" onPress={onPress} />,
  };
}
