import type { RowOf } from '@tufa/contract/entities';
import { FIELDS } from '@tufa/contract/schemas';
import { check } from '@tufa/contract/validate';
import type { ElementSurvey } from '@tufa/core/plan';
import { stopKey, type Opinion } from '@tufa/core/survey';
import { say, sayReason } from '@tufa/words';
import { format } from 'date-fns';
import { useState } from 'react';
import { View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import { Button, Word } from '../parts/Button';
import { Choice } from '../parts/Choice';
import { now } from '../parts/clock';
import { DayField } from '../parts/DayField';
import { Field } from '../parts/Field';
import { T } from '../parts/T';

const ROLES = ['engineer', 'inspector', 'architect', 'other'] as const;
type Role = (typeof ROLES)[number];

/** What a licensed person said: only then a stopped plan goes on, and it says so. */
export function LicensedOpinion({ element, survey }: { element: RowOf<'element'>; survey: ElementSurvey | undefined }) {
  const { opinion } = element.stops;
  const stops = (survey?.verdict.reasons ?? []).filter(({ verdict, figures }) => verdict === 'no' && figures['answer'] !== 'unanswered');
  const [writing, setWriting] = useState(false);
  if (stops.length === 0 && !opinion) return null;
  const keep = (next: Opinion | undefined): void => {
    const { opinion: _before, ...answers } = element.stops;
    void write(change('element', 'change', element.id, { stops: next ? { ...answers, opinion: next } : answers })).then(() => setWriting(false));
  };
  return (
    <View className="gap-2 border-2 border-edge bg-sheet p-3" testID="opinion">
      <T as="h2">{say('opinion.title')}</T>
      {opinion ? (
        <>
          <T as="strong">{say('opinion.by', { role: say(`opinion.roles.${opinion.role}`), day: opinion.on })}</T>
          <T>{opinion.said}</T>
          <Word label={say('opinion.withdraw')} onPress={() => keep(undefined)} />
        </>
      ) : (
        <T>{say('opinion.lead')}</T>
      )}
      {writing ? (
        <OpinionForm reasons={stops.map(sayReason)} covers={stops.map(stopKey)} element={element} onKeep={keep} onCancel={() => setWriting(false)} />
      ) : null}
      {writing || stops.length === 0 ? null : <Button label={say(opinion ? 'opinion.again' : 'opinion.record')} onPress={() => setWriting(true)} />}
    </View>
  );
}

function OpinionForm({
  reasons,
  covers,
  element,
  onKeep,
  onCancel,
}: {
  reasons: readonly string[];
  covers: readonly string[];
  element: RowOf<'element'>;
  onKeep: (opinion: Opinion) => void;
  onCancel: () => void;
}) {
  const [role, setRole] = useState<Role>('engineer');
  const [on, setOn] = useState(format(now(), 'yyyy-MM-dd'));
  const [said, setSaid] = useState('');
  const [fault, setFault] = useState<string | null>(null);
  const save = (): void => {
    const opinion: Opinion = { role, on, said: said.trim(), covers };
    const { opinion: _before, ...answers } = element.stops;
    const bad = check(FIELDS.element.extract('stops'), { ...answers, opinion }).fault;
    if (bad) return setFault(bad.field);
    return onKeep(opinion);
  };
  return (
    <View className="gap-3">
      <T as="faint">{say('opinion.about')}</T>
      {reasons.map((reason) => (
        <T key={reason} tone="stop">
          {reason}
        </T>
      ))}
      <Choice label={say('opinion.who')} options={ROLES.map((value) => ({ value, label: say(`opinion.roles.${value}`) }))} value={role} onChange={setRole} />
      <DayField label={say('opinion.when')} value={on} onChange={setOn} fault={fault === 'opinion.on' ? say('field.required') : undefined} />
      <View className="flex-row">
        <Field
          label={say('opinion.said')}
          value={said}
          onChange={setSaid}
          multiline
          fault={fault === 'opinion.said' ? say('opinion.saidRequired') : undefined}
        />
      </View>
      <T as="small">{say('opinion.picture')}</T>
      <View className="flex-row gap-2">
        <Button label={say('shelf.edit.cancel')} grow onPress={onCancel} />
        <Button label={say('opinion.keep')} tone="act" grow onPress={save} />
      </View>
    </View>
  );
}
