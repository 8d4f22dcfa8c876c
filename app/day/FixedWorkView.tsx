import type { FixedWork } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { useSpeaker } from '../parts/phone/speaker';
import { Button, Word } from '../parts/ui/Button';
import { Field } from '../parts/ui/Field';
import { T } from '../parts/ui/T';
import { clockText } from './barText';
import { readClock } from './readClock';

const MOST = 12;

/** What begins then is of the next day. */
const MIDNIGHT_S = 86_400;

/** Other trades and deliveries of the day: the plan goes around them. */
export function FixedWorkView({ fixed, onChange }: { fixed: readonly FixedWork[]; onChange: (fixed: readonly FixedWork[]) => void }) {
  const speaker = useSpeaker();
  const [typed, setTyped] = useState({ name: '', at: '', minutes: '30' });
  const read_s = readClock(typed.at);
  const start_s = read_s === MIDNIGHT_S ? null : read_s;
  const minutes = Number(typed.minutes);
  const long = minutes >= 5 && minutes <= 600;
  const ready = typed.name.trim() !== '' && start_s !== null && long && fixed.length < MOST;
  return (
    <View className="gap-2" testID="fixed-work">
      <T as="h2">{say(speaker, 'dayPlan.fixedWork')}</T>
      {fixed.map((work) => (
        <View key={work.id} className="flex-row items-center justify-between border-b border-line">
          <T>{`${clockText(work.start_s)} ${work.name}`}</T>
          <Word
            writes="job.change"
            label={say(speaker, 'dayPlan.fixedRemove', { name: work.name })}
            onPress={() => onChange(fixed.filter((other) => other !== work))}
          />
        </View>
      ))}
      <View className="flex-row flex-wrap gap-2">
        <Field label={say(speaker, 'dayPlan.fixedName')} value={typed.name} onChange={(name) => setTyped({ ...typed, name: name.slice(0, 40) })} />
        <Field
          label={say(speaker, 'dayPlan.fixedAt')}
          value={typed.at}
          onChange={(at) => setTyped({ ...typed, at })}
          fault={typed.at.trim() !== '' && start_s === null ? say(speaker, 'dayPlan.fixedFault') : undefined}
        />
        <Field
          label={say(speaker, 'dayPlan.fixedFor')}
          value={typed.minutes}
          onChange={(text) => setTyped({ ...typed, minutes: text })}
          fault={long ? undefined : say(speaker, 'dayPlan.minutesFault')}
        />
      </View>
      <Button
        writes="job.change"
        label={say(speaker, 'dayPlan.fixedAdd')}
        disabled={!ready}
        onPress={() => {
          if (start_s === null) return;
          // Somebody of the crew lets them in and shows them the place.
          onChange([...fixed, { id: uuid(), name: typed.name.trim(), start_s, duration_s: minutes * 60, hands: 1 }]);
          setTyped({ name: '', at: '', minutes: '30' });
        }}
      />
    </View>
  );
}
