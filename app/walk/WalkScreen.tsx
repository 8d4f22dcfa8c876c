import type { FirmData, RowOf } from '@tufa/contract/entities';
import type { FindingPlan } from '@tufa/core/plan';
import { say, printFigure, sayReason } from '@tufa/words';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import { Button, Word } from '../parts/Button';
import { Cautions } from '../parts/Cautions';
import { StepLayout, StepScreen } from '../parts/StepScreen';
import { Answer, T } from '../parts/T';
import type { JobView } from '../parts/useJob';
import { ElementForm } from './ElementForm';
import { FindingForm } from './FindingForm';
import { SmallSection } from '../jobs/SmallSection';
import { PlanView } from './PlanView';
import { Soundings } from './Soundings';
import { StopQuestions, unanswered } from './StopQuestions';

type Doing = { what: 'looking' } | { what: 'element'; id: string | null } | { what: 'finding'; id: string | null } | { what: 'stops' } | { what: 'sounding' };

export const WalkScreen = () => <StepScreen step="walk">{(view) => <Walk key={view.job.id} view={view} />}</StepScreen>;

const nextLabel = (findings: readonly RowOf<'finding'>[]): string => {
  const used = findings.map(({ label }) => label);
  for (let code = 65; code <= 90; code += 1) if (!used.includes(String.fromCharCode(code))) return String.fromCharCode(code);
  return `Z${used.length}`;
};

/** How much is bad and whether it may be repaired; the plan; add and change what was found. */
function Walk({ view }: { view: JobView }) {
  const [doing, setDoing] = useState<Doing>({ what: 'looking' });
  const [removed, setRemoved] = useState<RowOf<'finding'> | null>(null);
  const [elementAt, setElementAt] = useState(0);
  const elements = Object.values(view.data.element)
    .filter(({ jobId, removed: gone }) => jobId === view.job.id && !gone)
    .sort((a, b) => (a.id < b.id ? -1 : 1));
  const element = elements[Math.min(elementAt, elements.length - 1)];
  const all = Object.values(view.data.finding).filter(({ jobId }) => jobId === view.job.id);
  const findings = all.filter((one) => !one.removed && one.elementId === element?.id).sort((a, b) => (a.label < b.label ? -1 : 1));
  const look = (): void => setDoing({ what: 'looking' });

  if (doing.what === 'element') return <ElementForm view={view} element={elements.find(({ id }) => id === doing.id)} onDone={look} />;
  if (doing.what === 'finding' && element) {
    const finding = findings.find(({ id }) => id === doing.id);
    return <FindingForm view={view} element={element} finding={finding} label={finding?.label ?? nextLabel(all)} onDone={look} />;
  }
  if (doing.what === 'sounding' && element) return <Soundings view={view} element={element} onDone={look} />;
  if (doing.what === 'stops' && element)
    return (
      <StepLayout
        step="walk"
        view={view}
        parts={{
          head: <Answer size="number">{say('stop.title')}</Answer>,
          body: <StopQuestions element={element} />,
          foot: <Button label={say('walk.save')} tone="act" onPress={look} />,
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
              <Answer size="number">{say('walk.nothing')}</Answer>
              <T as="lead">{say('walk.nothingLead')}</T>
            </View>
          ),
          body: null,
          foot: <Button label={say('walk.addElement')} tone="act" big onPress={() => setDoing({ what: 'element', id: null })} />,
        }}
      />
    );

  const planned = view.plan?.elements.find(({ elementId }) => elementId === element.id);
  const open = unanswered(element);
  return (
    <StepLayout
      step="walk"
      view={view}
      parts={{
        head: (
          <View className="gap-1">
            {planned?.volume ? (
              <Answer
                after={`${printFigure('a_m2', planned.bad_m2)} ${say('walk.bad')}, ${say('walk.range', { low: printFigure('v_m3', planned.volume.p10).split(' ')[0], high: printFigure('v_m3', planned.volume.p90) })}`}
              >
                {printFigure('v_m3', planned.volume.p50)}
              </Answer>
            ) : (
              <Answer size="number">{element.name}</Answer>
            )}
            {planned?.hollow ? (
              <T as="faint">
                {`${say('walk.hollowShare', { share: String(Math.round(planned.hollow.share * 100)) })}, ${Math.round(planned.hollow.low * 100)}-${Math.round(planned.hollow.high * 100)} %`}
              </T>
            ) : null}
            <VerdictLine view={view} elementId={element.id} open={open} />
          </View>
        ),
        body: (
          <View className="gap-3">
            <View className="h-[236px] lg:h-[380px]">
              <PlanView element={element} findings={findings} />
            </View>
            {elements.length > 1 ? (
              <View className="flex-row flex-wrap gap-2">
                {elements.map((one, i) => (
                  <Button key={one.id} label={one.name} tone={one.id === element.id ? 'dark' : 'plain'} onPress={() => setElementAt(i)} />
                ))}
              </View>
            ) : null}
            {findings.map((finding) => (
              <FindingRow
                key={finding.id}
                finding={finding}
                data={view.data}
                planned={view.plan?.findings.find(({ findingId }) => findingId === finding.id)}
                onOpen={() => setDoing({ what: 'finding', id: finding.id })}
                onRemove={() => void write(change('finding', 'remove', finding.id)).then(() => setRemoved(finding))}
              />
            ))}
            {view.plan ? <Cautions screen="walk" input={view.input} plan={view.plan} data={view.data} /> : null}
            <Word label={say('walk.addElement')} onPress={() => setDoing({ what: 'element', id: null })} />
          </View>
        ),
        foot: (
          <View className="gap-2">
            {removed ? (
              <View className="flex-row items-center justify-between bg-selected px-4" role="status">
                <T className="text-on-selected">{say('walk.removed', { label: removed.label })}</T>
                <Word
                  label={say('walk.undo')}
                  tone="text-on-selected"
                  onPress={() => void write(change('finding', 'change', removed.id, { outline: removed.outline })).then(() => setRemoved(null))}
                />
              </View>
            ) : null}
            <View className="flex-row gap-2">
              <Button
                label={element.name}
                hint={say('walk.editElement', { name: element.name })}
                grow
                onPress={() => setDoing({ what: 'element', id: element.id })}
              />
              <Button
                label={say(open > 0 ? 'walk.stopsOpen' : 'walk.stopsDone')}
                tone={open > 0 ? 'act' : 'plain'}
                grow
                onPress={() => setDoing({ what: 'stops' })}
              />
            </View>
            <View className="flex-row gap-2">
              <Button label={say('walk.sound')} grow onPress={() => setDoing({ what: 'sounding' })} />
              <Button label={say('walk.addFinding')} grow tone={open > 0 ? 'plain' : 'act'} onPress={() => setDoing({ what: 'finding', id: null })} />
            </View>
          </View>
        ),
      }}
    />
  );
}

function VerdictLine({ view, elementId, open }: { view: JobView; elementId: string; open: number }) {
  const verdict = view.plan?.elements.find((one) => one.elementId === elementId)?.verdict;
  if (view.problem) return <T tone="stop">{say(`problem.${view.problem.code}`, view.problem.figures)}</T>;
  if (!verdict) return null;
  const answered = verdict.reasons.filter(({ figures }) => figures['answer'] !== 'unanswered');
  if (verdict.code === 'stop' && answered.length === 0) return <T tone="caution">{`${say('walk.verdictOpen')} ${say('verdict.unanswered')}`}</T>;
  return (
    <View>
      <T {...(verdict.code === 'stop' ? { tone: 'stop' as const } : verdict.code === 'borderline' ? { tone: 'caution' as const } : {})}>
        {`${say(`verdict.${verdict.code}`)} ${answered.map(sayReason).join(' ')}`}
      </T>
      {verdict.code === 'stop' && open < 5 ? <T as="strong">{say('verdict.ask')}</T> : null}
    </View>
  );
}

function FindingRow({
  finding,
  data,
  planned,
  onOpen,
  onRemove,
}: {
  finding: RowOf<'finding'>;
  data: FirmData;
  planned: FindingPlan | undefined;
  onOpen: () => void;
  onRemove: () => void;
}) {
  const takeOff = planned?.takeOff;
  const { deepest, shape, edge } = finding.properties;
  return (
    <View className="flex-row items-center border-2 border-edge bg-sheet">
      <Pressable
        role="button"
        aria-label={say('walk.editFinding', { label: finding.label })}
        onPress={onOpen}
        className="min-h-[64px] flex-1 flex-row items-center justify-between gap-2 px-3 py-2"
      >
        <SmallSection data={data} finding={finding} />
        <View className="flex-1">
          <T as="strong">{`${finding.label}  ${takeOff ? say('walk.line', { area_m2: takeOff.area_m2 }) : ''}`}</T>
          <T as="faint">
            {say('walk.sub', {
              shape: say(`word.shape.${shape}`),
              deepest_m: deepest.source === 'assumed' ? `${printFigure('deepest_m', deepest.value)} ${say('state.assumed')}` : (deepest.typed ?? deepest.value),
              edge: say(`word.edge.${edge}`).toLowerCase(),
            })}
          </T>
        </View>
        {takeOff ? (
          <View className="items-end">
            <T as="number" className={deepest.source === 'assumed' ? 'border-2 border-dashed border-edge px-1' : ''}>
              {printFigure('v_m3', takeOff.volume.p50)}
            </T>
            <T as="small">{say('walk.range', { low: printFigure('v_m3', takeOff.volume.p10).split(' ')[0], high: printFigure('v_m3', takeOff.volume.p90) })}</T>
          </View>
        ) : null}
      </Pressable>
      <Word label={say('walk.remove')} hint={`${say('walk.remove')} ${finding.label}`} onPress={onRemove} />
    </View>
  );
}
