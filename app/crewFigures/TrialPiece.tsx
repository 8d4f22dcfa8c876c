import type { Sheet } from '@tufa/core/shelf';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { change, write } from '../outbox/useFirm';
import { usePerson } from '../outbox/session';
import { now } from '../parts/phone/clock';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { FieldProblem } from '../parts/ui/fieldProblem';
import { QuantityField } from '../parts/ui/QuantityField';
import { readWithin } from '../parts/ui/quantityText';
import { T } from '../parts/ui/T';

const LIFE = { least: 30, most: 36_000 } as const;
const WARM = { least: -10, most: 60 } as const;

/** A cupful tried before it matters: it counts with the batches, marked. */
export function TrialPiece({ sheets }: { sheets: readonly Sheet[] }) {
  const speaker = useSpeaker();
  const person = usePerson();
  const [productId, setProductId] = useState<string | null>(sheets[0]?.productId ?? null);
  const [typed, setTyped] = useState({ life: '', warm: '' });
  const [faults, setFaults] = useState<{ life?: string; warm?: string }>({});
  if (sheets.length === 0) return null;
  const read = (name: 'life' | 'warm'): number | null => {
    const life = name === 'life';
    try {
      return readWithin(speaker, {
        field: say(speaker, life ? 'crewFigures.trialLife' : 'crewFigures.trialAt'),
        text: typed[name],
        as: life ? 'minutes' : 'temperature',
        ...(life ? LIFE : WARM),
      });
    } catch (error) {
      if (!(error instanceof FieldProblem)) throw error;
      setFaults((before) => ({ ...before, [name]: error.sentence }));
      return null;
    }
  };
  const keep = (): void => {
    setFaults({});
    const [value, temperature_C] = [read('life'), read('warm')];
    if (value === null || temperature_C === null || !person || !productId) return;
    void write(
      change('crewEntry', 'add', uuid(), {
        jobId: null,
        productId,
        batch: null,
        person: person.id,
        kind: 'life',
        value,
        temperature_C,
        retarder: 1,
        censored: false,
        trial: true,
        aside: false,
        at: new Date(now()).toISOString(),
      }),
    );
    setTyped({ life: '', warm: '' });
  };
  return (
    <View className="gap-2" testID="trial">
      <T as="h2">{say(speaker, 'crewFigures.trial')}</T>
      <T as="small">{say(speaker, 'crewFigures.trialLead')}</T>
      <Choice
        label={say(speaker, 'crewFigures.trialOf')}
        value={productId}
        options={sheets.map(({ productId: value, name }) => ({ value, label: name }))}
        onChange={setProductId}
      />
      <View className="flex-row gap-2">
        <QuantityField
          label={say(speaker, 'crewFigures.trialLife')}
          as="minutes"
          value={typed.life}
          fault={faults.life}
          onChange={(life) => setTyped({ ...typed, life })}
        />
        <QuantityField
          label={say(speaker, 'crewFigures.trialAt')}
          as="temperature"
          value={typed.warm}
          fault={faults.warm}
          onChange={(warm) => setTyped({ ...typed, warm })}
        />
      </View>
      <Button
        writes="crewEntry.add"
        label={say(speaker, 'crewFigures.trialKeep')}
        disabled={typed.life.trim() === '' || typed.warm.trim() === ''}
        onPress={keep}
      />
    </View>
  );
}
