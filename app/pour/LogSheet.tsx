import type { Batch, PlanInput } from '@tufa/core/plan';
import type { BatchState, EventPayload, TapKind } from '@tufa/core/pour';
import type { Sheet as Material } from '@tufa/core/shelf';
import { say, sayCoded } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { UsedView } from '../mix/UsedView';
import { keepPhoto, PhotoFault } from '../photos/photographs';
import type { JobView } from '../parts/job/useJob';
import { useKept } from '../parts/phone/useKept';
import { useSpeaker } from '../parts/phone/speaker';
import { keptIn } from './keptIn';
import { Button } from '../parts/ui/Button';
import { Field } from '../parts/ui/Field';
import { PickFile } from '../parts/ui/PickFile';
import { QuantityFigure } from '../parts/ui/QuantityFigure';
import { Sheet } from '../parts/ui/Sheet';
import { VoiceNote } from './VoiceNote';
import { T } from '../parts/ui/T';

/** What a thermometer in a pail or on a slab may show, degC. */
const TEMPERATURE = { least: -20, most: 80 } as const;

/** What else a thumb logs of a batch: what went in, how warm, the hand test, a note, a picture, that it was thrown away, that the pail is clean. */
export function LogSheet({
  view,
  input,
  list,
  state,
  planned,
  sheet,
  busy,
  onTap,
  onClose,
}: {
  view: JobView;
  input: PlanInput;
  list: readonly Batch[];
  state: BatchState;
  /** as its plan has it, by what is written on it */
  planned: Batch;
  sheet: Material | undefined;
  busy: boolean;
  onTap: (kind: TapKind, payload?: EventPayload) => void;
  onClose: () => void;
}) {
  const speaker = useSpeaker();
  const [text, setText] = useKept(keptIn(view, `note ${state.batch}`), '');
  const [fault, setFault] = useState<string | null>(null);
  const { task, make } = planned;
  const keep = async (picture: Blob): Promise<void> => {
    const elementId = view.data.finding[state.findingId]?.elementId;
    if (!elementId) return;
    setFault(null);
    try {
      await keepPhoto(picture, { jobId: view.job.id, elementId, findingId: state.findingId, batch: state.batch, before: null });
      onClose();
    } catch (error) {
      if (!(error instanceof PhotoFault)) throw error;
      setFault(sayCoded(speaker, `photo.${error.code}`, error.figures));
    }
  };
  const temperature = (name: 'pail_C' | 'slab_C', label: string) => (
    <QuantityFigure
      label={label}
      as="temperature"
      kind="temperature"
      value={state[name]}
      {...TEMPERATURE}
      onChange={(value) => onTap('read', { [name]: value })}
    />
  );
  return (
    <Sheet title={say(speaker, 'pour.logTitle', { batch: state.batch })} onClose={onClose}>
      <View className="gap-4" testID="log">
        {sheet && make !== 'ready' ? <UsedView view={view} input={input} planId={state.planId} list={list} batch={planned} sheet={sheet} /> : null}
        <View className="flex-row flex-wrap gap-3">
          {temperature('pail_C', say(speaker, 'pour.pailTemp'))}
          {temperature('slab_C', say(speaker, 'pour.slabTemp'))}
        </View>
        {task && sheet?.water ? (
          <View className="gap-2">
            <T>{say(speaker, 'pour.handTest', { test: say(speaker, `mix.test.${task}`) })}</T>
            <View className="flex-row gap-4">
              <Button
                label={say(speaker, 'pour.testNo')}
                grow
                disabled={busy}
                onPress={() => (onTap('tested', { test: 'consistency', passed: false }), onClose())}
              />
              <Button
                label={say(speaker, 'pour.testYes')}
                grow
                disabled={busy}
                onPress={() => (onTap('tested', { test: 'consistency', passed: true }), onClose())}
              />
            </View>
          </View>
        ) : null}
        <View className="gap-2">
          <View className="flex-row">
            <Field label={say(speaker, 'pour.notePlaceholder')} value={text} onChange={setText} />
          </View>
          <Button
            label={say(speaker, 'pour.keepNote')}
            disabled={text.trim() === '' || busy}
            onPress={() => {
              onTap('note', { text: text.trim().slice(0, 500) });
              setText('');
              onClose();
            }}
          />
        </View>
        {view.practice ? null : <VoiceNote onKept={(voice) => (onTap('note', { voice }), onClose())} />}
        {fault ? (
          <View role="alert">
            <T tone="stop">{fault}</T>
          </View>
        ) : null}
        {view.practice ? null : <PickFile label={say(speaker, 'pour.picture')} accept="image/*" testID="pour-photo" onPick={(picked) => void keep(picked)} />}
        <Button label={say(speaker, 'pour.cleaned')} disabled={busy} onPress={() => (onTap('cleaned'), onClose())} />
        <Button label={say(speaker, 'pour.thrown')} tone="stop" disabled={busy} onPress={() => onTap('thrown')} testID="thrown" />
      </View>
    </Sheet>
  );
}
