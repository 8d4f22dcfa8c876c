import { readingsOf } from '@tufa/contract/assemble';
import type { RowOf } from '@tufa/contract/entities';
import type { ElementSurvey } from '@tufa/core/plan';
import { extent, inside, nearestOnLine, type Point } from '@tufa/core/takeoff';
import { isLine, type PlanKind } from '@tufa/draw';
import { printFigure, say, sayReason } from '@tufa/words';
import { lazy, Suspense, useDeferredValue, useEffect, useMemo, useState } from 'react';
import { useWindowDimensions, View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import { Button, Word } from '../parts/ui/Button';
import { Cautions } from '../parts/job/Cautions';
import { StepLayout, StepScreen } from '../parts/job/StepScreen';
import { Answer, T } from '../parts/ui/T';
import { UndoBand } from '../parts/ui/UndoBand';
import { useWide } from '../parts/phone/useSize';
import type { JobView } from '../parts/job/useJob';
import { StalePlan } from '../pour/StalePlan';
import { copyOfFinding } from './copies';
import { FindingRow } from './FindingRow';
import { planFinding, planKind, planReadings, planTaps, volumeText } from '@tufa/words/survey';
import { brokenSteps, FlightView } from './FlightView';
import { PlanLegend, PlanView, type PlanLayer } from './Plan';
import { StopQuestions, unanswered } from './StopQuestions';
import { VerdictLines } from './VerdictLines';
import { useSpeaker } from '../parts/phone/speaker';

import { useWalking } from './useWalking';

/** Forms and files come when they are opened. */
const forms = () => import('../forms/forms');
const ElementForm = lazy(() => forms().then(({ ElementForm: Part }) => ({ default: Part })));
const FindingForm = lazy(() => forms().then(({ FindingForm: Part }) => ({ default: Part })));
const Measure = lazy(() => forms().then(({ Measure: Part }) => ({ default: Part })));
const Soundings = lazy(() => forms().then(({ Soundings: Part }) => ({ default: Part })));
const LicensedOpinion = lazy(() => forms().then(({ LicensedOpinion: Part }) => ({ default: Part })));
const Photos = lazy(() => import('../fingers/fingers').then(({ Photos: Part }) => ({ default: Part })));
const Tests = lazy(() => forms().then(({ Tests: Part }) => ({ default: Part })));
const SurveyFiles = lazy(() => import('./SurveyFiles').then((part) => ({ default: part.SurveyFiles })));

export const WalkScreen = () => <StepScreen step="walk">{(view) => <Walk key={view.job.id} view={view} />}</StepScreen>;

/** Findings listed until asked for more, and as many as the first look has room for; the plan shows all. */
const SHOWN = 12;
const FIRST = 4;
const NO_TAPS: ReturnType<typeof planTaps> = [];

const nextLabel = (findings: readonly RowOf<'finding'>[]): string => {
  const used = new Set(findings.map(({ label }) => label));
  for (let round = 0; ; round += 1)
    for (let code = 65; code <= 90; code += 1) {
      const label = `${String.fromCharCode(code)}${round === 0 ? '' : round + 1}`;
      if (!used.has(label)) return label;
    }
};

/** How much is bad and whether it may be repaired; the plan; add and change what was found. */
function Walk({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  // The forms come while the first look is taken: a walk goes on where the signal ends.
  useEffect(() => void forms().catch(() => null), []);
  const { what, id, elementId, begun, open: walk, lookAt, leave: look } = useWalking(view.job.id);
  const [removed, setRemoved] = useState<RowOf<'finding'> | null>(null);
  const [whole, setWhole] = useState(false);
  const listed = useDeferredValue(whole ? Infinity : SHOWN, FIRST);
  const elements = Object.values(view.data.element)
    .filter(({ jobId, removed: gone }) => jobId === view.job.id && !gone)
    .sort((a, b) => (a.id < b.id ? -1 : 1));
  const element = elements.find((element) => element.id === elementId) ?? elements[0];
  const all = useMemo(() => Object.values(view.data.finding).filter(({ jobId }) => jobId === view.job.id), [view.data.finding, view.job.id]);
  const findings = useMemo(
    () => all.filter((finding) => !finding.removed && finding.elementId === element?.id).sort((a, b) => (a.label < b.label ? -1 : 1)),
    [all, element?.id],
  );
  const readings = useMemo(() => readingsOf(view.data, view.job.id), [view.data, view.job.id]);
  const plan = useMemo(
    () => ({
      findings: findings.map((finding) => planFinding(speaker, finding)),
      taps: element ? planTaps(readings, element.id) : [],
      readings: element ? planReadings(speaker, readings, element.id) : [],
      kinds: [...new Set(findings.map(planKind))] as PlanKind[],
    }),
    [findings, element, readings, speaker],
  );
  // Two thousand taps come onto the plan right after it is seen.
  const taps = useDeferredValue(plan.taps, NO_TAPS);
  const window = useWindowDimensions();
  const wide = useWide();

  if (what === 'element') return <ElementForm view={view} element={elements.find((element) => element.id === id)} onDone={look} />;
  if (what === 'finding' && element) {
    const finding = findings.find((finding) => finding.id === id);
    return <FindingForm view={view} element={element} finding={finding} label={finding?.label ?? nextLabel(all)} begun={begun} onDone={look} />;
  }
  if (what === 'sounding' && element) return <Soundings view={view} element={element} onDone={look} />;
  if (what === 'measuring' && element) return <Measure key={id} view={view} element={element} again={id} onDone={look} />;
  if (what === 'files' && element) return <SurveyFiles view={view} element={element} onDone={look} />;
  if (what === 'pictures' && element) return <Photos view={view} element={element} onDone={look} />;
  if (what === 'testing' && element) return <Tests view={view} element={element} onDone={look} />;
  if (what === 'stops' && element)
    return (
      <StepLayout
        step="walk"
        view={view}
        parts={{
          head: <Answer size="number">{say(speaker, 'stop.title')}</Answer>,
          body: (
            <View className="gap-4">
              <StopQuestions element={element} />
              <Suspense fallback={null}>
                <LicensedOpinion element={element} survey={view.survey?.elements.find(({ elementId }) => elementId === element.id)} />
              </Suspense>
            </View>
          ),
          foot: <Button label={say(speaker, 'walk.save')} tone="act" onPress={look} />,
        }}
      />
    );

  if (!element)
    return (
      <StepLayout
        step="walk"
        view={view}
        parts={{
          head: (
            <View className="gap-2">
              <Answer size="number">{say(speaker, 'walk.nothing')}</Answer>
              <T as="lead">{say(speaker, 'walk.nothingLead')}</T>
            </View>
          ),
          body: null,
          foot: <Button writes="element.add" label={say(speaker, 'walk.addElement')} tone="act" big onPress={() => walk('element', undefined)} />,
        }}
      />
    );

  const planHeight = heightOf(element, window.width, wide);
  const survey = view.survey?.elements.find(({ elementId }) => elementId === element.id);
  const open = unanswered(element);
  const { flight } = element.geometry;
  /** The finding under a tap: the smallest area it lies in, or a line it is near. */
  const onTap = (at: Point, { scale }: PlanLayer): void => {
    const near = [...findings].reverse().find((finding) => {
      const { points } = finding.outline;
      return isLine(planKind(finding)) ? nearestOnLine(at, points).off_m * scale.perMetre < 20 : inside(at, points);
    });
    if (near) walk('finding', element.id, { id: near.id });
  };
  return (
    <StepLayout
      step="walk"
      view={view}
      parts={{
        head: (
          <View className="gap-1">
            {flight ? (
              <Answer
                size="number"
                {...(survey?.volume ? { after: `${volumeText(speaker, survey.volume).text} (${volumeText(speaker, survey.volume).range})` } : {})}
              >
                {say(speaker, 'walk.flight.title', { steps: String(flight.steps.length), broken: String(brokenSteps(flight, findings)) })}
              </Answer>
            ) : survey?.volume ? (
              <Answer after={`${printFigure(speaker, 'a_m2', survey.bad_m2)} ${say(speaker, 'walk.bad')}, ${volumeText(speaker, survey.volume).range}`}>
                {volumeText(speaker, survey.volume).text}
              </Answer>
            ) : (
              <Answer size="number">{view.survey || view.problem ? element.name : say(speaker, 'walk.measuring')}</Answer>
            )}
            {survey ? <MoreFigures survey={survey} /> : null}
            <VerdictLines view={view} survey={survey} open={open} />
          </View>
        ),
        body: (
          <View className="gap-3">
            {flight ? (
              <>
                <FlightView
                  flight={flight}
                  survey={survey?.flight ?? null}
                  findings={findings}
                  onOpen={(findingId) => walk('finding', element.id, { id: findingId })}
                  onBegin={(kind, on) => walk('finding', element.id, { begun: { kind, ...on } })}
                />
                <T as="faint">{say(speaker, 'walk.flight.laidFlat')}</T>
              </>
            ) : null}
            <View style={{ height: planHeight }}>
              <PlanView
                element={element}
                findings={plan.findings}
                taps={taps}
                readings={plan.readings}
                touch={{ label: say(speaker, 'walk.planHelp'), onTap }}
              />
            </View>
            <PlanLegend kinds={plan.kinds} />
            {elements.length > 1 ? (
              <View className="flex-row flex-wrap gap-2">
                {elements.map((tab) => (
                  <Button key={tab.id} label={tab.name} tone={tab.id === element.id ? 'dark' : 'plain'} onPress={() => lookAt(tab.id)} />
                ))}
              </View>
            ) : null}
            {findings.slice(0, listed).map((finding) => (
              <FindingRow
                key={finding.id}
                finding={finding}
                data={view.data}
                takeOff={view.survey?.findings.find(({ findingId }) => findingId === finding.id)?.takeOff}
                onOpen={() => walk('finding', element.id, { id: finding.id })}
                onCopy={() => void write(copyOfFinding(finding, nextLabel(all)))}
                onRemove={() => void write(change('finding', 'remove', finding.id)).then(() => setRemoved(finding))}
              />
            ))}
            {findings.length > SHOWN && !whole ? (
              <Button label={say(speaker, 'walk.showMore', { count: findings.length - SHOWN })} onPress={() => setWhole(true)} />
            ) : null}
            {survey ? <WaitingLines survey={survey} /> : null}
            <StalePlan view={view} />
            {view.plan ? <Cautions screen="walk" input={view.input} plan={view.plan} view={view} /> : null}
            <View className="flex-row flex-wrap">
              <Word writes="element.add" label={say(speaker, 'walk.addElement')} onPress={() => walk('element', element?.id)} />
              <Word label={say(speaker, 'walk.files')} onPress={() => walk('files', element.id)} />
              <Word label={say(speaker, 'walk.photos')} onPress={() => walk('pictures', element.id)} />
              <Word writes="reading.add" label={say(speaker, 'walk.tests')} onPress={() => walk('testing', element.id)} />
            </View>
          </View>
        ),
        foot: (
          <View className="gap-2">
            {removed ? (
              <UndoBand
                said={say(speaker, 'walk.removed', { label: removed.label })}
                label={say(speaker, 'walk.undo')}
                onUndo={() =>
                  void write(change('finding', 'change', removed.id, { kind: removed.kind, outline: removed.outline } as Partial<RowOf<'finding'>>)).then(() =>
                    setRemoved(null),
                  )
                }
              />
            ) : null}
            <View className="flex-row gap-2">
              <Button
                writes="element.change"
                label={element.name}
                hint={say(speaker, 'walk.editElement', { name: element.name })}
                grow
                onPress={() => walk('element', element.id, { id: element.id })}
              />
              <Button
                label={say(speaker, open > 0 ? 'walk.stopsOpen' : 'walk.stopsDone')}
                tone={open > 0 ? 'act' : 'plain'}
                grow
                onPress={() => walk('stops', element.id)}
              />
            </View>
            <View className="flex-row gap-2">
              <Button writes="reading.add" label={say(speaker, 'walk.sound')} grow onPress={() => walk('sounding', element.id)} />
              <Button writes="reading.add" label={say(speaker, 'walk.measure')} grow onPress={() => walk('measuring', element.id)} />
              <Button
                writes="finding.add"
                label={say(speaker, 'walk.addFinding')}
                grow
                tone={open > 0 ? 'plain' : 'act'}
                onPress={() => walk('finding', element.id)}
              />
            </View>
          </View>
        ),
      }}
    />
  );
}

/** As much height as the element needs at the width there is, never so much that the list under it is out of sight. */
function heightOf({ geometry: { outline } }: RowOf<'element'>, width: number, wide: boolean): number {
  const { length_m, width_m } = extent(outline);
  const room = wide ? width - 340 : width - 116;
  return Math.round(Math.min(wide ? 380 : 260, Math.max(200, (room * width_m) / length_m + 60)));
}

/** What else is measured: lines, what rings hollow, what is carried away. */
function MoreFigures({ survey }: { survey: ElementSurvey }) {
  const speaker = useSpeaker();
  const percent = (share: number): string => String(Math.round(share * 100));
  const { hollow, debris, length_m } = survey;
  const said = [
    ...(length_m > 0 ? [say(speaker, 'walk.lines', { length_m })] : []),
    ...(hollow ? [`${say(speaker, 'walk.hollowShare', { share: percent(hollow.share) })}, ${percent(hollow.low)}-${percent(hollow.high)} %`] : []),
    ...(debris ? [say(speaker, 'walk.debris', { mass_kg: debris.mass_kg, count: debris.bags })] : []),
  ];
  return said.length > 0 ? <T as="faint">{said.join('. ')}</T> : null;
}

/** What waits for another day, and what its waiting risks. */
function WaitingLines({ survey }: { survey: ElementSurvey }) {
  const speaker = useSpeaker();
  return survey.waiting.map(({ phase, labels, volume, risks }) => (
    <View key={phase} className="border-l-4 border-edge pl-3" role="note">
      <T as="strong">{say(speaker, 'walk.waits', { phase: say(speaker, `walk.phases.${phase}`), labels: labels.join(', '), v_m3: volume.p50 })}</T>
      {risks.map(({ code, figures }) => (
        <T key={code} tone="caution">
          {sayReason(speaker, { code, figures })}
        </T>
      ))}
    </View>
  ));
}
