import { say } from '@tufa/words/speak';
import { usePathname } from 'expo-router';
import { memo } from 'react';
import { Text, View } from 'react-native';
import { useKeypadTarget } from '../../keypad/target';
import { useSpeaker } from '../phone/speaker';
import { links, STEPS, type Step } from '../../links';
import { settled } from '../ui/settled';
import { Way } from './Way';

const MAIN = [
  ['now', '/'],
  ['jobs', '/jobs'],
  ['shelf', '/shelf'],
  ['bench', '/bench'],
] as const;

const here = (path: string, href: string): boolean => (href === '/' ? path === '/' : path.startsWith(href));

/** Now, Jobs, Shelf, Bench: a bar under the thumb, a rail on wide screens. */
export const MainBar = memo(function MainBar({ rail = false }: { rail?: boolean }) {
  const speaker = useSpeaker();
  const path = usePathname();
  // While the keypad is open its keys have the thumb zone.
  if (useKeypadTarget() && !rail) return null;
  return (
    <View
      role="navigation"
      aria-label={say(speaker, 'nav.main')}
      className={rail ? 'w-[96px] border-r-2 border-ink bg-sheet' : 'flex-row flex-wrap border-t-2 border-ink bg-sheet'}
    >
      {MAIN.map(([name, href]) => (
        <Way
          key={name}
          href={links[name]()}
          aria-current={here(path, href) ? 'page' : undefined}
          className={`${rail ? 'h-[66px]' : 'min-h-[64px] min-w-[4.5rem] flex-1'} items-center justify-center ${here(path, href) ? 'bg-selected' : ''}`}
        >
          <Text className={`font-text text-16 ${here(path, href) ? 'font-bold text-on-selected' : 'text-ink'}`}>{say(speaker, `nav.${name}`)}</Text>
        </Way>
      ))}
    </View>
  );
});

/** How far a step of a job is. */
export type StepState = 'open' | 'done' | 'warning';

/** Inside a job: its six steps, marked done, open or warning; one notch back to the jobs. */
export const StepBar = settled(function StepBar({
  jobId,
  current,
  states,
  top = false,
}: {
  jobId: string;
  current: Step;
  states: Readonly<Record<Step, StepState>>;
  top?: boolean;
}) {
  const speaker = useSpeaker();
  if (useKeypadTarget() && !top) return null;
  return (
    <View role="navigation" aria-label={say(speaker, 'nav.steps')}>
      {top ? null : <Notch />}
      <View className={`flex-row flex-wrap ${top ? 'border-b-2' : 'border-t-2'} border-ink bg-sheet`}>
        {STEPS.map((step) => (
          <StepLink key={step} jobId={jobId} step={step} on={step === current} state={states[step]} top={top} />
        ))}
      </View>
    </View>
  );
});

const Notch = memo(function Notch() {
  const speaker = useSpeaker();
  return (
    <View className="flex-row">
      <Way href={links.jobs()} className="min-h-[40px] justify-center border-r-2 border-t-2 border-ink bg-sheet px-4">
        <Text className="font-text text-16 text-ink">{`‹ ${say(speaker, 'nav.back')}`}</Text>
      </Way>
    </View>
  );
});

const StepLink = memo(function StepLink({ jobId, step, on, state, top }: { jobId: string; step: Step; on: boolean; state: StepState; top: boolean }) {
  const speaker = useSpeaker();
  const mark = on ? 'bg-on-selected' : state === 'done' ? 'bg-ink' : state === 'warning' ? 'bg-caution' : 'bg-line';
  return (
    <Way
      href={links.step(jobId, step)}
      replace
      aria-current={on ? 'page' : undefined}
      aria-label={`${say(speaker, `step.${step}`)}, ${say(speaker, `step.${state}`)}`}
      className={`${top ? 'min-h-[48px]' : 'min-h-[60px]'} min-w-[3.6rem] grow items-center justify-center gap-1 ${on ? 'bg-selected' : ''}`}
    >
      <View className="h-[16px] w-full flex-row items-center justify-center px-2">
        <View className={`h-[5px] flex-1 ${mark}`} />
        {state === 'warning' ? <Text className={`font-text ml-1 text-14 leading-16 font-bold ${on ? 'text-on-selected' : 'text-caution'}`}>!</Text> : null}
      </View>
      <Text className={`font-text text-15 ${on ? 'font-bold text-on-selected' : 'text-ink'}`}>{say(speaker, `step.${step}`)}</Text>
    </Way>
  );
});
