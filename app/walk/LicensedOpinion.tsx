import type { RowOf } from '@tufa/contract/entities';
import type { ElementSurvey } from '@tufa/core/plan';
import { stopKey, type Opinion, type OpinionFile, isUnanswered } from '@tufa/core/survey';
import { say, sayReason, sayCoded } from '@tufa/words';
import { format } from 'date-fns/format';
import { useState } from 'react';
import { View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import { Button, Word } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { now } from '../parts/phone/clock';
import { DayField } from '../parts/ui/DayField';
import { Field } from '../parts/ui/Field';
import { PickFile } from '../parts/ui/PickFile';
import { saveFile } from '../parts/phone/saveFile';
import { T } from '../parts/ui/T';
import { keepLetter, letterOf, useRefusal } from '../photos/letters';
import { PhotoFault } from '../photos/photographs';
import { useSpeaker } from '../parts/phone/speaker';
import { loadChecks } from '../parts/phone/checks';

const ROLES = ['engineer', 'inspector', 'architect', 'other'] as const;
type Role = (typeof ROLES)[number];

/** What a licensed person said: only then a stopped plan goes on, and it says so. */
export function LicensedOpinion({ element, survey }: { element: RowOf<'element'>; survey: ElementSurvey | undefined }) {
  const speaker = useSpeaker();
  const { opinion } = element.stops;
  const stops = (survey?.verdict.reasons ?? []).filter((reason) => reason.verdict === 'no' && !isUnanswered(reason));
  const [writing, setWriting] = useState(false);
  if (stops.length === 0 && !opinion) return null;
  const keep = (next: Opinion | undefined, seen = element): void => {
    const { opinion: _before, ...answers } = seen.stops;
    void write(change('element', 'change', element.id, { stops: next ? { ...answers, opinion: next } : answers }, seen)).then(() => setWriting(false));
  };
  return (
    <View className="gap-2 border-2 border-edge bg-sheet p-3" testID="opinion">
      <T as="h2">{say(speaker, 'opinion.title')}</T>
      {opinion ? (
        <>
          <T as="strong">{say(speaker, 'opinion.by', { role: sayCoded(speaker, `opinion.roles.${opinion.role}`), day: opinion.on })}</T>
          <T>{opinion.said}</T>
          {survey?.stops
            .filter(({ code }) => code.startsWith('opinion.'))
            .map((changed, i) => (
              <T key={i} tone="stop">
                {sayReason(speaker, changed)}
              </T>
            ))}
          {opinion.file ? <Letter file={opinion.file} /> : null}
          <Word label={say(speaker, 'opinion.withdraw')} onPress={() => keep(undefined)} />
        </>
      ) : (
        <T>{say(speaker, 'opinion.lead')}</T>
      )}
      {writing ? (
        <OpinionForm
          reasons={stops.map((reason) => sayReason(speaker, reason))}
          covers={stops.map(stopKey)}
          saw={survey?.seen ?? {}}
          element={element}
          onKeep={keep}
          onCancel={() => setWriting(false)}
        />
      ) : null}
      {writing || stops.length === 0 ? null : <Button label={say(speaker, opinion ? 'opinion.again' : 'opinion.record')} onPress={() => setWriting(true)} />}
    </View>
  );
}

/** The letter that came with it, saved as it was handed over. */
function Letter({ file }: { file: OpinionFile }) {
  const speaker = useSpeaker();
  const [gone, setGone] = useState(false);
  const refused = useRefusal(file);
  const save = (): void => {
    letterOf(file)
      .then((blob) => saveFile({ name: file.name, type: blob.type, text: blob }))
      .catch(() => setGone(true));
  };
  return (
    <View>
      <Word label={say(speaker, 'opinion.open', { name: file.name })} onPress={save} />
      {gone ? <T tone="caution">{say(speaker, 'opinion.fileGone')}</T> : null}
      {refused ? <T tone="stop">{say(speaker, 'opinion.fileRefused', { title: refused })}</T> : null}
    </View>
  );
}

function OpinionForm({
  reasons,
  covers,
  saw,
  element,
  onKeep,
  onCancel,
}: {
  reasons: readonly string[];
  covers: readonly string[];
  saw: ElementSurvey['seen'];
  element: RowOf<'element'>;
  onKeep: (opinion: Opinion, seen: RowOf<'element'>) => void;
  onCancel: () => void;
}) {
  const speaker = useSpeaker();
  const [seen] = useState(element);
  const [role, setRole] = useState<Role>('engineer');
  const [on, setOn] = useState(format(now(), 'yyyy-MM-dd'));
  const [said, setSaid] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const [file, setFile] = useState<OpinionFile | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const take = async (picked: File): Promise<void> => {
    setRefused(null);
    try {
      setFile(await keepLetter(picked, { jobId: element.jobId, elementId: element.id }));
    } catch (error) {
      if (!(error instanceof PhotoFault)) throw error;
      setRefused(sayCoded(speaker, `photo.${error.code}`, error.figures));
    }
  };
  const save = async (): Promise<void> => {
    const { FIELDS, check } = await loadChecks();
    const seenBy = Object.fromEntries(Object.entries(saw).filter(([key]) => covers.includes(key)));
    const opinion: Opinion = { role, on, said: said.trim(), covers, saw: seenBy, ...(file ? { file } : {}) };
    const { opinion: _before, ...answers } = element.stops;
    const bad = check(FIELDS.element.extract('stops'), { ...answers, opinion }).fault;
    if (bad) return setFault(bad.field);
    return onKeep(opinion, seen);
  };
  return (
    <View className="gap-3">
      <T as="faint">{say(speaker, 'opinion.about')}</T>
      {reasons.map((reason) => (
        <T key={reason} tone="stop">
          {reason}
        </T>
      ))}
      <Choice
        label={say(speaker, 'opinion.who')}
        options={ROLES.map((value) => ({ value, label: say(speaker, `opinion.roles.${value}`) }))}
        value={role}
        onChange={setRole}
      />
      <DayField label={say(speaker, 'opinion.when')} value={on} onChange={setOn} fault={fault === 'opinion.on' ? say(speaker, 'field.required') : undefined} />
      <View className="flex-row">
        <Field
          label={say(speaker, 'opinion.said')}
          value={said}
          onChange={setSaid}
          multiline
          fault={fault === 'opinion.said' ? say(speaker, 'opinion.saidRequired') : undefined}
        />
      </View>
      <View className="flex-row items-center gap-3">
        <PickFile label={say(speaker, 'opinion.file')} accept="application/pdf,image/*" testID="opinion-file" onPick={(picked) => void take(picked)} />
        <T as="small" className="flex-1">
          {file ? say(speaker, 'opinion.fileKept', { name: file.name }) : say(speaker, 'opinion.fileHelp')}
        </T>
      </View>
      {refused ? <T tone="stop">{refused}</T> : null}
      <View className="flex-row gap-2">
        <Button label={say(speaker, 'shelf.edit.cancel')} grow onPress={onCancel} />
        <Button label={say(speaker, 'opinion.keep')} tone="act" grow onPress={save} />
      </View>
    </View>
  );
}
