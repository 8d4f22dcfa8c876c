import type { DayChange } from '@tufa/contract/entities';
import { useMay } from '../parts/phone/rights';
import type { Freed } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { useRouter } from 'expo-router';
import { useDeferredValue, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { View } from 'react-native';
import { findingName } from '@tufa/words/findingName';
import { links, type Step } from '../links';
import { change as changeRow } from '../outbox/useFirm';
import { listOf } from '../parts/job/batchList';
import { nothingYet, StepLayout, StepScreen } from '../parts/job/StepScreen';
import { stopOf } from '../parts/job/stopOf';
import type { JobView } from '../parts/job/useJob';
import { now } from '../parts/phone/clock';
import { useSpeaker } from '../parts/phone/speaker';
import { useWide } from '../parts/phone/useSize';
import { Button, Word } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { settled } from '../parts/ui/settled';
import { Answer, T } from '../parts/ui/T';
import type { SearchProgress } from '../workers/SearchProgress';
import { barText, clockText } from './barText';
import { DayBars } from './DayBars';
import { DayList } from './DayList';
import { DayOut } from './DayOut';
import { DayViews } from './DayViews';
import { FixedWorkView } from './FixedWorkView';
import { HandsTable } from './HandsTable';
import { Helps } from './Helps';
import { capital, dayText, localAt } from './localDay';
import { sayChance } from './quantityText';
import { StripsView } from './StripsView';
import { JobsOfDay } from './JobsOfDay';
import { changeOf, useDayPlan } from './useDayPlan';

export const PlanScreen = () => <StepScreen step="day">{(view) => <DayPlanned key={view.job.id} view={view} />}</StepScreen>;

/** A search that is done sooner is not spoken of, ms. */
const SLOW_MS = 700;
/** So many of what clashes are named. */
const NAMED = 3;

/** What is drawn follows what is worked out, in pieces: a finger that moves a bar is never held up by it. */
function DayPlanned({ view }: { view: JobView }) {
  const made = useDayPlan(view);
  const may = useMay('job.change');
  const drawn = useDeferredValue(useMemo(() => ({ view, made }), [view, made]));
  return (
    <DayDrawn
      {...drawn}
      onChange={(next) => {
        if (!may) return;
        const changed = changeOf(view.job);
        void view.write(changeRow('job', 'change', view.job.id, { dayPlan: { ...changed, ...next(changed), on: view.job.pourOn } }));
      }}
    />
  );
}

/** The day by the clock: what is done when and why then, what it turns on, what moves when a bar is moved. */
const DayDrawn = settled(function DayDrawn({
  view,
  made,
  onChange,
}: {
  view: JobView;
  made: ReturnType<typeof useDayPlan>;
  /** from what stands changed by then, which may be more than is drawn yet */
  onChange: (next: (before: DayChange) => Partial<DayChange>) => void;
}) {
  const speaker = useSpeaker();
  const router = useRouter();
  const wide = useWide();
  const { job, input, plan } = view;
  const changed = changeOf(job);
  const [picked, setPicked] = useState<string | null>(null);
  const listed = useMemo(() => (plan ? listOf({ plan, events: view.events }) : []), [plan, view.events]);
  const named = useMemo(() => ({ data: view.data, batches: listed }), [view.data, listed]);
  const go = (step: Step) => (): void => router.replace(links.step(job.id, step));
  const stop = stopOf(speaker, 'day', view, go('walk'));
  if (stop) return stop;
  if (!plan || plan.batches.length === 0)
    return (
      <StepLayout
        step="day"
        view={view}
        parts={nothingYet({
          title: say(speaker, 'dayPlan.nothing'),
          lead: say(speaker, 'dayPlan.nothingLead'),
          label: say(speaker, 'step.fix'),
          onPress: go('fix'),
        })}
      />
    );
  const change = (next: Partial<DayChange>): void => onChange(() => next);
  const pin = (id: string, start_s: number): void => onChange(({ pins }) => ({ pins: { ...pins, [id]: Math.max(0, Math.round(start_s / 300) * 300) } }));
  const letGo = (id: string): void => onChange(({ pins: { [id]: _moved, ...pins } }) => ({ pins }));
  const { plan: day } = made;
  const today = localAt(now(), job.zone).slice(0, 10);
  const dayName = capital(dayText(speaker, made.day, today));
  const moved = Object.keys(changed.pins).length;
  const told = (
    <>
      {day?.clash ? (
        <View className="gap-1 bg-caution-fill p-3" role="status" testID="clash">
          <T as="strong" tone="stop">
            {say(speaker, 'dayPlan.clash', { what: namesOf(day.clash.operations) })}
          </T>
          <T>{`${say(speaker, `dayPlan.clashWhy.${day.clash.why}`)} ${say(speaker, `dayPlan.freed.${day.clash.freed ?? 'none'}`)}`}</T>
          {made.least ? <T as="strong">{leastText(made.least)}</T> : null}
        </View>
      ) : null}
      {moved > 0 ? (
        <View className="flex-row flex-wrap items-center justify-between">
          <T as="small">{say(speaker, 'dayPlan.moved', { count: moved })}</T>
          <Word writes="job.change" label={say(speaker, 'dayPlan.letAllGo')} onPress={() => change({ pins: {} })} />
        </View>
      ) : null}
      {day && day.visits.length > 1 ? (
        <Choice
          label={say(speaker, 'dayPlan.visit')}
          value={String(day.visit)}
          options={day.visits.map((numbers, i) => ({
            value: String(i),
            label: say(speaker, 'dayPlan.visitOf', { nth: String(i + 1), numbers: numbers.join(', ') }),
          }))}
          onChange={(visit) => change({ visit: Number(visit), pins: {} })}
        />
      ) : null}
    </>
  );
  /** The smallest change that frees the day. */
  function leastText({ limit, by_s, id }: Freed): string {
    if (limit === 'weather') return say(speaker, 'dayPlan.by.weather', { by_s });
    if (limit === 'opensBy') return say(speaker, 'dayPlan.by.opensBy', { by_s, time: clockText((made.opensBy_s ?? 0) + by_s) });
    const work = changed.fixed.find((each) => each.id === id);
    const from_s = limit === 'fixed' ? (work?.start_s ?? 0) : (changed.pins[id ?? ''] ?? 0);
    return say(speaker, `dayPlan.by.${limit}`, { what: work?.name ?? namesOf([id ?? '']), time: clockText(from_s + by_s) });
  }
  /** By name, as they are called in the list; all of a long clash says no more than its first. */
  function namesOf(ids: readonly string[]): string {
    const bars = day?.bars ?? [];
    const called = ids.map((id) => {
      const bar = bars.find((each) => each.id === id);
      const number = /^(?:mix|lay|finish) (.+)$/.exec(id)?.[1];
      return bar
        ? barText(speaker, bar, named)
        : number
          ? say(speaker, 'mix.batchOf', { number })
          : say(speaker, id === 'clean' ? 'dayPlan.clean' : 'dayPlan.arrive');
    });
    return [...new Set(called)].slice(0, NAMED).join('; ');
  }
  const title =
    day?.done_s == null
      ? say(speaker, made.failed || day ? 'dayPlan.noOrder' : 'dayPlan.working')
      : say(speaker, 'dayPlan.done', { time: clockText(day.done_s) });
  const opens = day?.opens;
  const { hours } = Object.values(view.data.firm)[0]?.settings ?? {};
  const odds = made.odds?.odds ?? null;
  const helps = made.odds ? <Helps helps={made.odds.helps} /> : null;
  return (
    <StepLayout
      step="day"
      view={view}
      parts={{
        head: (
          <View className="gap-1">
            <Answer size={title.length > 16 ? 'number' : 'answer'} after={dayName}>
              {title}
            </Answer>
            <T as="lead">
              {[
                ...(opens
                  ? [
                      say(speaker, 'dayPlan.opens', {
                        to: say(speaker, `dayPlan.to.${opens.to}`),
                        time: clockText(opens.at_s),
                        finding: findingName(speaker, view.data, opens.findingId),
                      }),
                    ]
                  : []),
                ...(made.opensBy_s !== null ? [say(speaker, 'dayPlan.asked', { time: clockText(made.opensBy_s) })] : []),
                ...(opens && made.opensBy_s !== null && opens.at_s > made.opensBy_s ? [say(speaker, 'dayPlan.late')] : []),
                ...(hours && hours.from_h < hours.to_h && day?.done_s != null && day.done_s > hours.to_h * 3600
                  ? [say(speaker, 'dayPlan.afterHours', { time: clockText(hours.to_h * 3600) })]
                  : []),
                ...(day?.turnsOn
                  ? [
                      say(speaker, 'dayPlan.turns', {
                        batch: day.turnsOn.batch,
                        spare_s: day.turnsOn.spare_s,
                        against: say(speaker, `dayPlan.against.${day.turnsOn.code}`),
                      }),
                    ]
                  : []),
                ...(day && day.done_s !== null
                  ? [say(speaker, 'dayPlan.chance', { chance: sayChance(speaker, odds ? 1 - odds.noneLost : day.chanceLost) })]
                  : []),
                ...(odds ? [say(speaker, 'dayPlan.between', { from: clockText(odds.done.p10), to: clockText(odds.done.p90) })] : []),
                ...(odds?.opensInTime != null ? [say(speaker, 'dayPlan.inTime', { chance_share: odds.opensInTime })] : []),
              ].join(' ')}
            </T>
          </View>
        ),
        body: (
          <View className="gap-3">
            <DayViews jobId={job.id} view="plan" />
            {job.pourOn ? null : (
              <View className="gap-2">
                <T tone="caution">{say(speaker, 'dayPlan.noDayLead')}</T>
                <Button label={say(speaker, 'week.week')} onPress={() => router.replace(links.week(job.id))} />
              </View>
            )}
            {made.weather ? null : <T as="small">{say(speaker, 'dayPlan.noWeather')}</T>}
            <Searching progress={made.progress} onStop={made.searching} hurried={made.hurried} />
            {told}
            {day && wide ? <DayBars day={day} named={named} hands={input.crew.hands} picked={picked} onPick={setPicked} onMove={pin} /> : null}
            {day ? <DayList day={day} named={named} pins={changed.pins} picked={picked} onPick={setPicked} onMove={pin} onLetGo={letGo} /> : null}
            {wide || !made.byHands ? null : <HandsTable outcomes={made.byHands} hands={input.crew.hands} labour_minor_h={made.labour_minor_h} />}
            {wide ? null : helps}
            <FixedWorkView fixed={changed.fixed} onChange={(fixed) => change({ fixed })} />
            <StripsView view={view} />
            <JobsOfDay view={view} day={made.day} />
            <Button label={say(speaker, 'rehearse.thisDay')} onPress={() => router.push(links.rehearseJob(job.id))} />
          </View>
        ),
        aside:
          wide && made.byHands ? (
            <>
              <HandsTable outcomes={made.byHands} hands={input.crew.hands} labour_minor_h={made.labour_minor_h} />
              {helps}
            </>
          ) : null,
        foot:
          day && day.done_s !== null ? (
            <DayOut day={day} named={named} job={job} on={made.day} title={say(speaker, 'dayPlan.crewTitle', { name: job.name, day: dayName })} />
          ) : null,
      }}
    />
  );
});

/** A search that takes a while says how far it is and can be ended: then the day is the rules' alone. */
function Searching({ progress, onStop, hurried }: { progress: SearchProgress; onStop: (() => void) | null; hurried: boolean }) {
  const speaker = useSpeaker();
  const [slow, setSlow] = useState(false);
  const share = useSyncExternalStore(progress.subscribe, progress.snapshot);
  const busy = onStop !== null;
  useEffect(() => {
    const timer = setTimeout(() => setSlow(busy), busy ? SLOW_MS : 0);
    return () => clearTimeout(timer);
  }, [busy]);
  if (onStop && slow)
    return (
      <View className="flex-row flex-wrap items-center justify-between gap-2" role="status" testID="searching">
        <T className="flex-1">{say(speaker, 'dayPlan.searching', { percent: `${Math.round(share * 100)}\u00a0%` })}</T>
        {hurried ? null : <Button label={say(speaker, 'dayPlan.stop')} onPress={onStop} />}
      </View>
    );
  return hurried ? <T as="small">{say(speaker, 'dayPlan.byRules')}</T> : null;
}
