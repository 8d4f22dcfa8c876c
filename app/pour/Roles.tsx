import { OF_JOB, ROLES, rolesOf } from '@tufa/core/pour';
import { say } from '@tufa/words';
import { View } from 'react-native';
import { usePerson } from '../outbox/session';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { Choice } from '../parts/ui/Choice';
import { T } from '../parts/ui/T';
import { log } from './log';

/** Who mixes, who places, who finishes: each says it on the own phone, and all see it. */
export function Roles({ view, planId }: { view: JobView; planId: string | null }) {
  const speaker = useSpeaker();
  const person = usePerson();
  const roles = rolesOf(view.events);
  const findingId = view.finding?.findingId ?? view.batches[0]?.findingId;
  const plan = planId ?? view.batches.at(-1)?.planId;
  if (!person || !findingId || !plan) return null;
  const others = [...roles].filter(([id]) => id !== person.id);
  return (
    <View className="gap-1">
      <Choice
        label={say(speaker, 'pour.role')}
        value={roles.get(person.id) ?? null}
        options={ROLES.map((role) => ({ value: role, label: say(speaker, `pour.roles.${role}`) }))}
        onChange={(role) => void log({ view, person: person.id, kind: 'role', batch: OF_JOB, findingId, planId: plan, payload: { role } })}
      />
      {others.map(([id, role]) => (
        <T key={id}>{say(speaker, 'pour.rolesOf', { name: view.data.person[id]?.name ?? '', roles: say(speaker, `pour.roles.${role}`) })}</T>
      ))}
    </View>
  );
}
