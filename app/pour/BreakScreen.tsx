import { inputOn, type WayOn } from '@tufa/core/plan';
import { BREAKS, type BreakCode } from '@tufa/core/pour';
import { printFigure, say, sayProblem, printMeasure } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { findingName } from '@tufa/words/findingName';
import { links } from '../links';
import { usePerson } from '../outbox/session';
import { StepLayout } from '../parts/job/StepScreen';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { Answer, T } from '../parts/ui/T';
import { useWorkedOut } from '../workers/useWorkedOut';
import { logBreak } from './logBreak';
import { inputLeft } from './storedPlan';

/** How a way on is done. */
function howText(speaker: Speaker, view: JobView, { code, pail_m3, cleanEnd }: WayOn): string {
  const finding = cleanEnd?.findingId ? findingName(speaker, view.data, cleanEnd.findingId) : '';
  if (code === 'smaller') return say(speaker, 'broke.how.smaller', { volume: printMeasure(speaker, 'volume', pail_m3 ?? 0) });
  if (code === 'stop') return cleanEnd?.batches ? say(speaker, 'broke.how.stopOpen', { count: cleanEnd.batches, finding }) : say(speaker, 'broke.how.stopNow');
  if (code === 'hurry') return finding ? say(speaker, 'broke.how.hurry', { finding }) : say(speaker, 'broke.how.hurryNone');
  return say(speaker, `broke.how.${code}`);
}

/** The plan broke: what happened in one tap, then the ways that remain with what each costs, and where a clean end lies. Taken or left, it is logged. */
export function BreakScreen({ view, onBack, onExtra }: { view: JobView; onBack: () => void; onExtra: () => void }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const person = usePerson();
  const [what, setWhat] = useState<BreakCode | null>(null);
  const [left] = useState(() => inputLeft(view));
  const [picked, setPicked] = useState(0);
  const [busy, setBusy] = useState(false);
  const asked = useWorkedOut(`ways ${what ?? ''}`, what ? [left] : null, (worker) => worker.waysOn(left, what!));
  const done = async (way: WayOn | null): Promise<void> => {
    if (!person || !what || busy) return;
    setBusy(true);
    const next = way?.change ? inputOn(left, way.change) : null;
    await logBreak({ view, person: person.id, what, choice: way?.code ?? null, next, sun: way?.change?.sun });
    setBusy(false);
    if (way?.code === 'extra') return onExtra();
    // A rehearsal stays where it is: the job it would be measured in is another.
    if (way?.code === 'measure' && !view.practice) return router.replace(links.step(view.job.id, 'walk'));
    return onBack();
  };
  if (!what)
    return (
      <StepLayout
        step="pour"
        view={view}
        parts={{
          head: <Answer size="number">{say(speaker, 'broke.title')}</Answer>,
          body: (
            <View className="flex-row flex-wrap gap-3" testID="breaks">
              {BREAKS.map((code) => (
                <View key={code} className="min-w-[150px] flex-1">
                  <Button label={say(speaker, `broke.what.${code}`)} big onPress={() => (setPicked(0), setWhat(code))} />
                </View>
              ))}
            </View>
          ),
          foot: <Button label={say(speaker, 'broke.back')} onPress={onBack} />,
        }}
      />
    );
  const { ways = [], left: count } = asked.data?.value ?? {};
  const problem = asked.data?.problem;
  const chosen = ways[picked];
  return (
    <StepLayout
      step="pour"
      view={view}
      parts={{
        head: (
          <View className="gap-1">
            <Answer size="number">{say(speaker, `broke.is.${what}`)}</Answer>
            {asked.isPending ? (
              <View role="status">
                <T as="lead">{say(speaker, 'broke.working')}</T>
              </View>
            ) : null}
            {count === undefined ? null : <T as="lead">{count > 0 ? say(speaker, 'broke.left', { count }) : say(speaker, 'broke.nothingLeft')}</T>}
            {problem || asked.isError ? (
              <View role="alert">
                <T tone="stop">{say(speaker, 'broke.failed', { why: problem ? sayProblem(speaker, problem) : say(speaker, 'problem.workerFailed') })}</T>
              </View>
            ) : null}
          </View>
        ),
        body: (
          <View className="gap-3" role="radiogroup" aria-label={say(speaker, `broke.is.${what}`)}>
            {ways.map((way, i) => (
              <Pressable
                key={way.code}
                role="radio"
                aria-checked={i === picked}
                onPress={() => setPicked(i)}
                className={`min-h-[88px] flex-row gap-3 bg-sheet p-3 ${i === picked ? 'border-4 border-ink' : 'border-2 border-edge'}`}
                testID={`way-${way.code}`}
              >
                <View className="flex-1">
                  <T as="strong">{say(speaker, `broke.way.${way.code}`)}</T>
                  <T>{howText(speaker, view, way)}</T>
                </View>
                <View className="items-end">
                  <T as="strong">{say(speaker, 'broke.batches', { count: way.batches })}</T>
                  <T as="small">{say(speaker, 'broke.minutes', { minutes: String(Math.round(way.work_s / 60)) })}</T>
                  {way.chanceLost >= 0.005 ? <T as="small">{say(speaker, 'broke.lost', { percent: `${Math.round(way.chanceLost * 100)}\u00a0%` })}</T> : null}
                  <T as="small">{printFigure(speaker, 'cost_minor', Math.round(way.cost_minor / 100) * 100)}</T>
                </View>
              </Pressable>
            ))}
          </View>
        ),
        foot: (
          <View className="gap-4">
            {chosen ? (
              <Button
                label={say(speaker, 'broke.take', { way: say(speaker, `broke.way.${chosen.code}`) })}
                tone="act"
                big
                disabled={busy}
                onPress={() => void done(chosen)}
                testID="take-way"
              />
            ) : null}
            <Button label={say(speaker, 'broke.leave')} big disabled={busy} onPress={() => void done(null)} testID="leave-plan" />
          </View>
        ),
      }}
    />
  );
}
