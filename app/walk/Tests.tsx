import { InstrumentRead } from '../parts/instruments/InstrumentRead';
import { originOf } from '../parts/instruments/taken';
import { readingsOf } from '@tufa/contract/assemble';
import type { RowOf } from '@tufa/contract/entities';
import type { Measured } from '@tufa/core/quantity';
import { say, sayCoded } from '@tufa/words';
import { isTest, TESTS, testText, type Test } from '@tufa/words/survey';
import { useState } from 'react';
import { View } from 'react-native';
import { write } from '../outbox/useFirm';
import { Button, Word } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { Field } from '../parts/ui/Field';
import { QuantityField } from '../parts/ui/QuantityField';
import { measuredOf } from '../parts/ui/quantityText';
import { StepLayout } from '../parts/job/StepScreen';
import { Answer, T } from '../parts/ui/T';
import { FieldProblem } from '../parts/ui/fieldProblem';
import type { JobView } from '../parts/job/useJob';
import { readingAdd, readingRemoval } from './reading';
import { useSpeaker } from '../parts/phone/speaker';

const HARDNESS = ['0', '1', '2'] as const;

/** What the surface says of itself: a scratch, a drop of water, a pull, strength where it is known, moisture. */
export function Tests({ view, element, onDone }: { view: JobView; element: RowOf<'element'>; onDone: () => void }) {
  const speaker = useSpeaker();
  const [test, setTest] = useState<Test>('scratch');
  const [hardness, setHardness] = useState<(typeof HARDNESS)[number] | null>(null);
  const [text, setText] = useState('');
  const [fault, setFault] = useState<string | undefined>();
  const rows = readingsOf(view.data, view.job.id).filter(({ kind, elementId }) => elementId === element.id && isTest(kind));
  const valueOf = (): Measured => {
    if (test === 'scratch') {
      if (hardness === null) throw new FieldProblem('text', say(speaker, 'field.required'));
      return { value: Number(hardness), source: 'typed' };
    }
    if (test !== 'moisture') return measuredOf(speaker, { field: 'text', text, as: test === 'drop_s' ? 'moment' : 'pressure', limit: test });
    const percent = Number(text.replace('%', '').trim() || NaN);
    if (!(percent >= 0 && percent <= 100)) throw new FieldProblem('text', say(speaker, 'walk.percent'));
    return { value: percent / 100, typed: `${percent} %`, ...originOf(percent / 100, 'moisture') };
  };
  const save = async (): Promise<void> => {
    try {
      await write(readingAdd(view, { kind: test, at: null, elementId: element.id, findingId: null, value: valueOf() }));
      setText('');
      setHardness(null);
      setFault(undefined);
    } catch (error) {
      if (!(error instanceof FieldProblem)) throw error;
      setFault(error.sentence);
    }
  };
  const field = { label: say(speaker, `walk.test.${test}`), value: text, onChange: setText, fault, onSubmit: () => void save() };
  return (
    <StepLayout
      step="walk"
      view={view}
      parts={{
        head: <Answer size="number">{say(speaker, 'walk.testsTitle', { name: element.name })}</Answer>,
        body: (
          <View className="gap-4">
            <Choice
              label={say(speaker, 'walk.testsTitle', { name: element.name })}
              labelHidden
              options={TESTS.map((value) => ({ value, label: say(speaker, `walk.test.${value}`) }))}
              value={test}
              onChange={(value) => (setTest(value), setText(''), setFault(undefined))}
            />
            <T as="faint">{say(speaker, `walk.testHelp.${test}`)}</T>
            {test === 'scratch' ? (
              <Choice
                label={say(speaker, 'walk.test.scratch')}
                options={HARDNESS.map((value) => ({ value, label: say(speaker, `walk.scratch.${value}`) }))}
                value={hardness}
                onChange={setHardness}
              />
            ) : test === 'moisture' ? (
              <>
                <View className="flex-row">
                  <Field {...field} />
                </View>
                <InstrumentRead as="moisture" entry={null} tabIndex={0} onText={setText} />
              </>
            ) : (
              <QuantityField {...field} as={test === 'drop_s' ? 'moment' : 'pressure'} onDone={() => void save()} />
            )}
            {test === 'scratch' && fault ? <T tone="stop">{fault}</T> : null}
            {rows.map((row) => (
              <View key={row.id} className="flex-row items-center justify-between border-b border-line">
                <T>{`${sayCoded(speaker, `walk.test.${row.kind}`)}: ${testText(speaker, row.kind as Test, row.value)}`}</T>
                <Word
                  label={say(speaker, 'walk.remove')}
                  hint={`${say(speaker, 'walk.remove')} ${sayCoded(speaker, `walk.test.${row.kind}`)}`}
                  onPress={() => void write(readingRemoval(view, row))}
                />
              </View>
            ))}
          </View>
        ),
        foot: (
          <View className="flex-row gap-3">
            <Button label={say(speaker, 'walk.done')} onPress={onDone} />
            <Button label={say(speaker, 'walk.keepReading')} tone="act" grow onPress={() => void save()} />
          </View>
        ),
      }}
    />
  );
}
