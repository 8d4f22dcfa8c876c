import { prepared, recordOf, sheetOf, strataDomain, STRATA_QUANTITIES, windowFor, type StrataQuantity, type WindowQuestion } from '@tufa/core/plan';
import type { ConditionKind } from '@tufa/contract/assemble';
import type { Measured } from '@tufa/core/quantity';
import { Problem } from '@tufa/core/quantity';
import { say } from '@tufa/words';
import { useRouter } from 'expo-router';
import { useDeferredValue, useMemo, useState } from 'react';
import { View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import { usePerson } from '../outbox/session';
import { Button } from '../parts/ui/Button';
import { Cautions } from '../parts/job/Cautions';
import { listOf } from '../parts/job/batchList';
import { readingAdd } from '../parts/job/readingAdd';
import { nothingYet, StepLayout, StepScreen } from '../parts/job/StepScreen';
import { stopOf } from '../parts/job/stopOf';
import { useDraft } from '../parts/phone/useDraft';
import type { JobView } from '../parts/job/useJob';
import { Warnings } from '../parts/job/Warnings';
import { DayViews } from './DayViews';
import { Levers } from './Levers';
import { PickBatch } from './PickBatch';
import { dontKnow, Quantities } from './Quantities';
import { Rain } from './Rain';
import { StalePlan } from '../pour/StalePlan';
import { StrataView } from './Strata';
import { originOf } from '../parts/instruments/taken';
import { Needs, WindowAnswerLine } from './WindowAnswerLine';
import { useSpeaker } from '../parts/phone/speaker';
import { links, type Step } from '../links';

export const DayScreen = () => <StepScreen step="day">{(view) => <Day key={view.job.id} view={view} />}</StepScreen>;

const READINGS: readonly ConditionKind[] = ['air_C', 'slab_C', 'powder_C', 'water_C'];

/** Figures tried under the thumb, kept as a draft until they are kept for the pour. */
export type Try = Partial<Pick<WindowQuestion, StrataQuantity | 'sun' | 'crew' | 'wind_ms' | 'iceShare'>>;

/** Minutes you have to work, at these temperatures; the strata with its handle; what would lengthen them. */
function Day({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const person = usePerson();
  const { draft, keep, clear } = useDraft<Try>(`day ${view.job.id}`);
  const [tried, setTried] = useState<Try>(draft ?? {});
  const [quantity, setQuantity] = useState<StrataQuantity>('slab_C');
  const go = (step: Step) => (): void => router.replace(links.step(view.job.id, step));
  const list = useMemo(
    () => (view.plan ? listOf({ plan: view.plan, events: view.events }).filter(({ window }) => window !== null) : []),
    [view.plan, view.events],
  );
  const [picked, setPicked] = useState<string | null>(null);
  const batch = list.find(({ key }) => key === picked) ?? list[0];
  // What is refused is on no list; what would give it time is looked for all the same.
  const chosen = batch ? null : (view.finding?.chosen ?? null);
  const window = batch?.window ?? chosen?.window;
  const sheet = sheetOf(view.input, window?.question.sheetId);
  const findingId = batch?.serves[0]?.findingId ?? view.finding?.findingId;
  const finding = view.input.findings.find(({ id }) => id === findingId);
  const kept = useMemo((): WindowQuestion | null => {
    if (!window || !sheet) return null;
    const { sheetId: _id, ...asked } = window.question;
    const record = recordOf(prepared(view.input), sheet);
    return { ...asked, sheet, ...(record ? { record } : {}) };
  }, [view.input, window, sheet]);
  // The figure under the thumb changes at once; what follows from it a frame later, so that a tap is never waited for.
  const followed = useDeferredValue(tried);
  const question = useMemo<WindowQuestion | null>(() => (kept ? { ...kept, ...followed } : null), [kept, followed]);
  const answer = useMemo(() => {
    try {
      return question ? windowFor(question) : null;
    } catch (error) {
      if (error instanceof Problem) return null;
      throw error;
    }
  }, [question]);
  const stop = stopOf(speaker, 'day', view, go('walk'));
  if (stop) return stop;
  if (!finding || !sheet || !kept || !question || !answer || !view.plan)
    return (
      <StepLayout
        step="day"
        view={view}
        parts={nothingYet({ title: say(speaker, 'fix.none'), lead: say(speaker, 'day.choose'), label: say(speaker, 'step.fix'), onPress: go('fix') })}
      />
    );

  const set = (values: Try): void => {
    const next = { ...tried, ...values };
    setTried(next);
    keep(next);
  };
  const changed = (Object.keys(tried) as (keyof Try)[]).filter((name) => JSON.stringify(tried[name]) !== JSON.stringify(kept[name]));
  const unread = READINGS.filter((kind) => view.input.conditions[kind].source === 'assumed');
  const reading = (kind: ConditionKind | 'sun' | 'rain_s', value: number, origin: Pick<Measured, 'source' | 'at' | 'by'> = { source: 'typed' }) =>
    readingAdd({ jobId: view.job.id, elementId: finding.elementId, kind, value: { value, by: person?.name ?? '', ...origin } });
  const keepAll = async (): Promise<void> => {
    // What was moved was read; with nothing moved, what was assumed is confirmed.
    const moved = READINGS.filter((kind) => changed.includes(kind as keyof Try));
    const { iceShare: _before, ...iceless } = view.input.batch;
    const batch = {
      ...iceless,
      ...(changed.includes('share') ? { share: question.share } : {}),
      retarderDose: question.retarderDose,
      ...(question.iceShare ? { iceShare: question.iceShare } : {}),
    };
    const wanted = [
      ...(changed.length > 0 ? moved : unread).map((kind) => reading(kind, question[kind as 'air_C'], originOf(question[kind as 'air_C'], 'temperature'))),
      ...(changed.includes('sun') ? [reading('sun', question.sun ? 1 : 0)] : []),
      ...(changed.includes('wind_ms') ? [reading('wind_ms', question.wind_ms)] : []),
      ...(changed.includes('crew') ? [change('job', 'change', view.job.id, { crew: { ...view.input.crew, hands: question.crew.hands } })] : []),
      ...(changed.some((name) => name === 'share' || name === 'retarderDose' || name === 'iceShare') ? [change('job', 'change', view.job.id, { batch })] : []),
    ];
    if (wanted.length > 0) await write(...wanted);
    const { thickness_m } = tried;
    setTried(thickness_m === undefined ? {} : { thickness_m });
    clear();
  };
  const domain = strataDomain(sheet, quantity);
  return (
    <StepLayout
      step="day"
      view={view}
      parts={{
        head: <WindowAnswerLine answer={answer} sheet={sheet} chance={view.input.firm.acceptedChance} />,
        body: (
          <View className="gap-3">
            <DayViews jobId={view.job.id} view="batch" />
            <StalePlan view={view} />
            {domain ? (
              <StrataView
                question={question}
                quantity={quantity}
                value={tried[quantity] ?? kept[quantity]}
                domain={domain}
                ghost={tried[quantity] !== undefined && tried[quantity] !== kept[quantity] ? kept[quantity] : null}
                answer={answer}
                onChange={(value) => set({ [quantity]: value })}
              />
            ) : null}
            <Needs answer={answer} />
            {batch ? <PickBatch view={view} list={list} batch={batch} onPick={setPicked} /> : null}
            <Rain rain_s={view.input.conditions.rain_s ?? 0} onChange={(rain_s) => void write(reading('rain_s', rain_s))} />
            <Warnings plan={view.plan} />
            <Cautions screen="day" input={view.input} plan={view.plan} view={view} />
          </View>
        ),
        foot: (
          <View className="gap-2">
            <Quantities
              question={{ ...kept, ...tried }}
              quantity={quantity}
              available={STRATA_QUANTITIES.filter((code) => strataDomain(sheet, code) !== null)}
              assumed={READINGS.filter((kind) => view.input.conditions[kind].source === 'assumed' && tried[kind as keyof Try] === undefined)}
              domain={domain}
              onSelect={setQuantity}
              onChange={(value) => set({ [quantity]: value })}
              onSun={(sun) => set({ sun })}
              onDontKnow={dontKnow(quantity, (value) => set({ [quantity]: value }))}
            />
            {changed.length > 0 || unread.length > 0 ? (
              <Button writes="reading.add" label={say(speaker, changed.length > 0 ? 'day.keep' : 'day.confirm')} tone="act" onPress={() => void keepAll()} />
            ) : null}
          </View>
        ),
        aside: <Levers question={question} answer={answer} grid={view.input.firm.grid} onTry={(values) => set(values as Try)} />,
      }}
    />
  );
}
