import { OF_JOB } from '@tufa/core/pour';
import { say } from '@tufa/words';
import { format } from 'date-fns/format';
import { View } from 'react-native';
import { usePerson } from '../outbox/session';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { log } from './log';
import { readPlan } from './readPlan';
import { rivalPlans } from './storedPlan';

/** When a plan's id was made: the first six bytes of its kind of id are the milliseconds. */
const madeAt = (id: string): number => parseInt(id.replaceAll('-', '').slice(0, 12), 16);

/** Two plans that were made without signal to replace the same one: both are kept, and whoever leads picks which goes on. */
export function Rivals({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const person = usePerson();
  const rivals = rivalPlans(view);
  const findingId = view.finding?.findingId ?? view.batches[0]?.findingId;
  if (rivals.length === 0 || !person || !findingId) return null;
  const by = (id: string): string => view.data.person[view.events.find(({ planId, kind }) => planId === id && kind === 'broke')?.person ?? '']?.name ?? '';
  return (
    <View role="alert" className="gap-2 border-2 border-dashed border-stale bg-sheet p-3" testID="rivals">
      <T as="strong">{say(speaker, 'pour.rivals')}</T>
      {rivals.map(({ id }) => {
        const row = view.data.plan[id]!;
        const count = readPlan(row)?.plan.batches.length ?? 0;
        return (
          <Button
            key={id}
            writes="pourEvent.add"
            label={say(speaker, 'pour.rival', { count, name: by(id), time: format(madeAt(id), 'HH:mm') })}
            onPress={() => void log({ view, person: person.id, kind: 'settled', batch: OF_JOB, findingId, planId: id, payload: { plan: id } })}
          />
        );
      })}
    </View>
  );
}
