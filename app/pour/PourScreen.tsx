import { batchAt } from '@tufa/core/plan';
import { nextBatch, type BatchState } from '@tufa/core/pour';
import { say, sayShare } from '@tufa/words';
import { format } from 'date-fns/format';
import { useRouter } from 'expo-router';
import { useCallback, useState } from 'react';
import { View } from 'react-native';
import { usePerson } from '../outbox/useFirm';
import { Button } from '../parts/ui/Button';
import { CautionList, Cautions, unacknowledged } from '../parts/job/Cautions';
import { Lines } from '../parts/ui/Lines';
import { nothingYet, StepLayout, StepScreen } from '../parts/job/StepScreen';
import { refusedOf } from '../parts/job/refusedOf';
import { stopOf } from '../parts/job/stopOf';
import { SunSwitch } from '../parts/chrome/SunSwitch';
import { Answer, T } from '../parts/ui/T';
import type { JobView } from '../parts/job/useJob';
import { ring, unlockSound } from './alarm';
import { log, startBatch } from './log';
import { RunningBatch } from './RunningBatch';
import { StalePlan } from './StalePlan';
import { inUse } from './storedPlan';
import { useBattery } from './useBattery';
import { UndoBand, type Did } from './UndoBand';
import { useSpeaker } from '../parts/phone/speaker';
import { links, type Step } from '../links';

export const PourScreen = () => <StepScreen step="pour">{(view) => <Pour key={view.job.id} view={view} />}</StepScreen>;

/** The pour: ready for the next batch, or the pail of the one that ends first. */
function Pour({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const person = usePerson();
  const [did, setDid] = useState<Did | null>(null);
  const [starting, setStarting] = useState(false);
  const battery = useBattery();
  const [choosing, setChoosing] = useState(false);
  const clearDid = useCallback(() => setDid(null), []);
  const go = (step: Step) => (): void => router.replace(links.step(view.job.id, step));
  const running = view.batches.filter((batch) => batch.running);
  const undo = async ({ eventId, batch }: Did): Promise<void> => {
    if (!batch || !person) return;
    setDid(null);
    await log({ view, person: person.id, kind: 'undo', batch: batch.batch, findingId: batch.findingId, planId: batch.planId, undoes: eventId });
  };
  const band = did ? <UndoBand did={did} onUndo={() => void undo(did)} onGone={clearDid} /> : null;

  if (running.length > 0 && !choosing) return <RunningBatch view={view} running={running} band={band} onDid={setDid} onNext={() => setChoosing(true)} />;

  const stop = stopOf(speaker, 'pour', view, go('walk'));
  if (stop) return stop;
  const { finding, sheet, plan, input, planId } = inUse(view);
  if (!finding?.chosen || !sheet || !plan)
    return (
      <StepLayout
        step="pour"
        view={view}
        parts={nothingYet({ title: say(speaker, 'fix.none'), lead: say(speaker, 'pour.choose'), label: say(speaker, 'step.fix'), onPress: go('fix') })}
      />
    );
  const refused = refusedOf({ speaker, step: 'pour', view, input, chosen: finding.chosen, toFix: () => router.replace(links.step(view.job.id, 'fix')) });
  if (refused) return refused;
  const { batches } = finding.chosen;
  const ofFinding = view.batches.filter(({ findingId }) => findingId === finding.findingId);
  // A number once written on a pail is never used again, also when its start was undone.
  const used = view.events.filter((event) => event.kind === 'start' && event.findingId === finding.findingId).map(({ batch }) => batch);
  const next = nextBatch({ used, planned: batches.count });
  const { ticket } = batchAt(finding.chosen, Number(next));
  const open = unacknowledged({ input, plan }, view.data);
  const poured = ofFinding.length >= batches.count && batches.count > 0;
  const start = async (): Promise<void> => {
    if (!person || starting) return;
    unlockSound();
    setStarting(true);
    try {
      const eventId = await startBatch({ view, input, inUse: planId, person: person.id, batch: next, findingId: finding.findingId });
      setDid({ what: 'start', eventId, batch: { batch: next, findingId: finding.findingId, planId: '' }, until: Date.now() + 8000 });
      setChoosing(false);
    } finally {
      setStarting(false);
    }
  };
  return (
    <StepLayout
      step="pour"
      view={view}
      parts={{
        head: (
          <View className="gap-1">
            <View className="flex-row items-start justify-between">
              <View className="flex-1">
                <Answer size="number">{poured ? say(speaker, 'pour.poured', { count: ofFinding.length }) : say(speaker, 'pour.ready', { batch: next })}</Answer>
              </View>
              <SunSwitch />
            </View>
            <T as="lead">
              {poured
                ? say(speaker, 'pour.pouredLead')
                : say(speaker, 'pour.readyLead', { share: capital(sayShare(speaker, ticket.share)), name: sheet.name, count: String(batches.count) })}
            </T>
          </View>
        ),
        body: (
          <View className="gap-3">
            <StalePlan view={view} />
            <CautionList cautions={open} context={{ input, plan }} data={view.data} />
            <Batches batches={ofFinding} />
            <Cautions screen="pour" input={input} plan={plan} data={view.data} />
            {ofFinding.length === 0 ? <TestAlarm /> : null}
            <T as="small">{say(speaker, 'pour.sound')}</T>
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
            <Button
              label={say(speaker, 'pour.start')}
              tone="act"
              big
              disabled={starting || batches.share === null || open.length > 0}
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

const capital = (text: string): string => text.charAt(0).toUpperCase() + text.slice(1);

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
