import type { WaitReason } from '@tufa/core/batches';
import { type FollowCode, extraOf, fullOf, letterOf, listedNumber, nextOf, startedOf, type BatchState } from '@tufa/core/pour';
import { say } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { format } from 'date-fns/format';
import { useRouter } from 'expo-router';
import { useCallback, useMemo, useState } from 'react';
import { View } from 'react-native';
import { BatchRow } from '../mix/BatchRow';
import { amountOf, productName, servesText, waitText } from '../mix/batchText';
import { outbox } from '../outbox/Outbox';
import { usePerson } from '../outbox/session';
import { firstServed, isStarted, listOf } from '../parts/job/batchList';
import { useOnline } from '../parts/chrome/SyncLine';
import { Button } from '../parts/ui/Button';
import { CautionList, Cautions, unacknowledged } from '../parts/job/Cautions';
import { Growing } from '../parts/ui/Growing';
import { Lines } from '../parts/ui/Lines';
import { nothingYet, StepLayout, StepScreen } from '../parts/job/StepScreen';
import { refusedOf } from '../parts/job/refusedOf';
import { stopOf } from '../parts/job/stopOf';
import { SunSwitch } from '../parts/chrome/SunSwitch';
import { Answer, T } from '../parts/ui/T';
import type { JobView } from '../parts/job/useJob';
import { AfterView } from './AfterView';
import { ring, silence, unlockSound } from './alarm';
import { AlarmOf } from './AlarmOf';
import { BreakScreen } from './BreakScreen';
import { FinishChecks } from './FinishChecks';
import { Locked } from './Locked';
import { log, startBatch } from './log';
import { Rivals } from './Rivals';
import { Roles } from './Roles';
import { RunningBatch } from './RunningBatch';
import { siteClocksOf } from './siteClocksOf';
import { StalePlan } from './StalePlan';
import { StockUsed } from './StockUsed';
import { OneTap } from './OneTap';
import { Twice } from './Twice';
import { keptIn } from './keptIn';
import { inUse } from './storedPlan';
import { useBattery } from './useBattery';
import { UndoBand, type Did } from './UndoBand';
import { useKept } from '../parts/phone/useKept';
import { useSpeaker } from '../parts/phone/speaker';
import { links, type Step } from '../links';

export const PourScreen = () => <StepScreen step="pour">{(view) => <Pour key={view.job.id} view={view} />}</StepScreen>;

/** The pour with its alarm, which rings whichever of its screens is looked at. */
export function Pour({ view }: { view: JobView }) {
  const [silenced, setSilenced] = useKept<readonly string[]>(keptIn(view, 'silenced'), []);
  const running = useMemo(() => view.batches.filter((batch) => batch.running), [view.batches]);
  const onSilence = (key: string): void => {
    silence();
    setSilenced([...silenced, key]);
  };
  return (
    <OneTap>
      <AlarmOf view={view} running={running} silenced={silenced} />
      <Pouring view={view} running={running} silenced={silenced} onSilence={onSilence} />
    </OneTap>
  );
}

/** Ready for the next batch, or the pail of the one that ends first. */
function Pouring({
  view,
  running,
  silenced,
  onSilence,
}: {
  view: JobView;
  running: readonly BatchState[];
  silenced: readonly string[];
  onSilence: (key: string) => void;
}) {
  const speaker = useSpeaker();
  const router = useRouter();
  const person = usePerson();
  const [did, setDid] = useKept<Did | null>(keptIn(view, 'did'), null);
  const [starting, setStarting] = useState(false);
  const battery = useBattery();
  const [choosing, setChoosing] = useState(false);
  const [picked, setPicked] = useState<string | null>(null);
  const [broken, setBroken] = useState(false);
  const [extra, setExtra] = useState(false);
  const online = useOnline();
  const clearDid = useCallback(() => setDid(null), [setDid]);
  const go = (step: Step) => (): void => router.replace(links.step(view.job.id, step));
  const undo = async ({ eventId, batch }: Did): Promise<void> => {
    if (!batch || !person) return;
    setDid(null);
    await log({ view, person: person.id, kind: 'undo', batch: batch.batch, findingId: batch.findingId, planId: batch.planId, undoes: eventId });
  };
  const band = did ? <UndoBand did={did} onUndo={() => void undo(did)} onGone={clearDid} /> : null;

  if (broken)
    return (
      <BreakScreen
        view={view}
        onBack={() => setBroken(false)}
        onExtra={() => {
          setBroken(false);
          setExtra(true);
          setChoosing(true);
        }}
      />
    );
  if (running.length > 0 && !choosing)
    return (
      <RunningBatch
        view={view}
        running={running}
        band={band}
        onDid={setDid}
        onNext={() => setChoosing(true)}
        onBroke={() => setBroken(true)}
        silenced={silenced}
        onSilence={onSilence}
      />
    );

  const stop = stopOf(speaker, 'pour', view, go('walk'));
  if (stop) return stop;
  const { finding, plan, input, planId } = inUse(view);
  const { practice } = view;
  const keptUntil = practice?.keptUntil ?? null;
  const list = plan ? listOf({ plan, events: view.events }).filter(isStarted) : [];
  if (!plan || list.length === 0) {
    const toFix = (): void => router.replace(links.step(view.job.id, 'fix'));
    const refused = finding?.chosen ? refusedOf({ speaker, step: 'pour', view, input, chosen: finding.chosen, toFix }) : null;
    if (refused) return refused;
    return (
      <StepLayout
        step="pour"
        view={view}
        parts={nothingYet({ title: say(speaker, 'fix.none'), lead: say(speaker, 'pour.choose'), label: say(speaker, 'step.fix'), onPress: go('fix') })}
      />
    );
  }
  // A number once written on a pail is never used again, also when its start was undone.
  const used = startedOf(view.events);
  const full = fullOf(view.events);
  const waiting = list.filter((batch) => nextOf(batch, used, full) !== null);
  const poured = waiting.length === 0;
  // What is asked for, else the next; when all are poured, or more was found, an extra one of the last.
  const lastStarted = list.filter(({ number }) => used.some((written) => listedNumber(written) === number)).at(-1);
  const batch = list.find(({ number }) => number === picked) ?? (extra ? lastStarted : undefined) ?? waiting[0] ?? list.at(-1)!;
  const next = nextOf(batch, used, full) ?? extraOf(batch.number, used, online ? '' : letterOf(outbox.deviceId()));
  const open = unacknowledged({ input, plan }, view.data);
  const start = async (): Promise<void> => {
    if (!person || starting) return;
    unlockSound();
    setStarting(true);
    try {
      const { eventId, planId: by } = await startBatch({ view, input, inUse: planId, person: person.id, batch, written: next });
      setDid({ what: 'start', eventId, batch: { batch: next, findingId: firstServed(batch).findingId, planId: by }, until: Date.now() + 8000 });
      setChoosing(false);
      setExtra(false);
      setPicked(null);
    } finally {
      setStarting(false);
    }
  };
  const others = list.filter((other) => other !== batch && (poured || nextOf(other, used, full) !== null));
  return (
    <StepLayout
      step="pour"
      view={view}
      parts={{
        head: (
          <View className="gap-1">
            <View className="flex-row items-start justify-between">
              <View className="flex-1">
                <Answer size="number">
                  {poured && picked === null ? say(speaker, 'pour.poured', { count: list.length }) : say(speaker, 'pour.ready', { batch: next })}
                </Answer>
              </View>
              <SunSwitch />
            </View>
            <T as="lead">
              {poured && picked === null
                ? say(speaker, 'pour.pouredLead')
                : say(speaker, 'pour.readyLead', {
                    amount: amountOf(speaker, input, batch),
                    name: productName(speaker, input, batch),
                    serves: servesText(speaker, view.data, batch),
                  })}
            </T>
          </View>
        ),
        body: (
          <View className="gap-3">
            <StalePlan view={view} />
            <Rivals view={view} />
            <Twice view={view} />
            <AfterView view={view} left={waiting} onDid={setDid} />
            <CautionList cautions={open} context={{ input, plan }} view={view} />
            {batch.waits.map((wait) => (
              <T key={`${wait.on}${wait.reason}`} as="strong" tone="caution">
                {`${say(speaker, 'mix.batchOf', { number: wait.on })}: ${waitText(speaker, wait)}${sinceText(speaker, view, wait)}`}
              </T>
            ))}
            <Batches batches={view.batches} />
            {others.length > 0 ? (
              <View className="border-t-2 border-ink">
                <Growing label={say(speaker, 'pour.others')} rows={others.map((other, i) => ({ id: other.key, other, before: others[i - 1] }))}>
                  {({ other, before }) => (
                    <BatchRow finding={view.data.finding} element={view.data.element} shelf={input} batch={other} before={before} onPick={setPicked} />
                  )}
                </Growing>
              </View>
            ) : null}
            {view.batches.length > 0 ? <Button writes="pourEvent.add" label={say(speaker, 'broke.nav')} onPress={() => setBroken(true)} /> : null}
            {practice ? null : (
              <>
                <StockUsed view={view} left={waiting} planId={planId} />
                <Roles view={view} planId={planId} />
                {view.batches.some(({ ends }) => ends.length > 0) ? <FinishChecks view={view} onDid={setDid} /> : null}
              </>
            )}
            <Cautions screen="pour" input={input} plan={plan} view={view} />
            {view.batches.length === 0 ? <TestAlarm /> : null}
            {practice ? null : (
              <>
                <Locked clockOffset={view.clockOffset} />
                <Button label={say(speaker, 'pour.site')} onPress={() => router.push(links.site(view.job.id))} />
              </>
            )}
            {battery === null ? null : (
              <T as="strong" tone="caution">
                {say(speaker, 'pour.battery', { percent: String(Math.round(battery * 100)) })}
              </T>
            )}
          </View>
        ),
        foot: (
          <View className="gap-2">
            {band}
            {open.length > 0 ? <T as="strong">{say(speaker, 'pour.ackFirst')}</T> : null}
            {keptUntil === null ? null : <T as="strong">{say(speaker, 'rehearse.kept', { time: format(keptUntil, 'HH:mm') })}</T>}
            <Button
              writes="pourEvent.add"
              label={say(speaker, batch.window === null ? 'pour.onNow' : `pour.starts.${batch.make}`)}
              tone="act"
              big
              disabled={starting || open.length > 0 || keptUntil !== null}
              onPress={() => void start()}
              testID="start-batch"
            />
          </View>
        ),
      }}
    />
  );
}

/** Heard once before it matters. */
function TestAlarm() {
  const speaker = useSpeaker();
  const [tested, setTested] = useState(false);
  const test = (): void => {
    unlockSound();
    ring(true);
    setTested(true);
  };
  return (
    <View className="gap-1">
      <Button label={say(speaker, 'pour.testAlarm')} onPress={test} />
      {tested ? <T as="faint">{say(speaker, 'pour.tested')}</T> : null}
    </View>
  );
}

function Batches({ batches }: { batches: readonly BatchState[] }) {
  const speaker = useSpeaker();
  if (batches.length === 0) return null;
  return (
    <Lines
      label={say(speaker, 'pour.batches')}
      lines={batches.map(({ batch, startedAt, ends, running }) => {
        const [end] = ends;
        const state = running ? say(speaker, 'pour.running') : end ? say(speaker, `record.${end.kind}`) : '';
        return [`${say(speaker, 'record.batch')} ${batch}, ${format(startedAt, 'HH:mm')}`, state, end?.kind === 'wentHard' ? 'stop' : undefined] as const;
      })}
    />
  );
}

const FOLLOWED = { stiff: 'nextLift', strip: 'strip', recoat: 'cover', bondOpen: 'cover' } as const;

/** By the clock when a wait is over, as the batch it waits on has shown so far; nothing while that has not begun. */
function sinceText(speaker: Speaker, view: JobView, { on, reason }: { on: string; reason: WaitReason }): string {
  const code = (FOLLOWED as Partial<Record<WaitReason, FollowCode>>)[reason];
  const clock = siteClocksOf(view).find(({ batch, code: of }) => batch === on && of === code);
  if (!clock) return '';
  return `. ${say(speaker, clock.passedAt === null ? 'after.from' : 'after.foundAt', { time: format((clock.passedAt ?? clock.at) - view.clockOffset, 'HH:mm') })}`;
}
