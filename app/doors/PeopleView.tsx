import type { DoorsState } from '@tufa/contract/doors';
import type { RowOf } from '@tufa/contract/entities';
import { ERASED } from '@tufa/contract/erased';
import { ROLES, type Role } from '@tufa/contract/rights';
import { say, sayCoded } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { v7 as uuid } from 'uuid';
import { change, sendNow, useFirm, useUnsent, write } from '../outbox/useFirm';
import { useSpeaker } from '../parts/phone/speaker';
import { Button, Word } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { Field } from '../parts/ui/Field';
import { Slide } from '../parts/ui/Slide';
import { T } from '../parts/ui/T';
import { api } from '../outbox/api';
import { InvitationView } from './InvitationView';
import { doorText } from './useDoorForm';
import { sayDate } from '@tufa/words/dates';

type Invitation = { readonly personId: string; readonly name: string; readonly token: string; readonly endsAt: string };

/** The firm's people: what each may do, how each gets in, and who is added. */
export function PeopleView({ state, me, onChanged }: { state: DoorsState | undefined; me: string; onChanged: () => void }) {
  const speaker = useSpeaker();
  const { data } = useFirm();
  const { unsent } = useUnsent();
  const [open, setOpen] = useState<string | null>(null);
  const [adding, setAdding] = useState(false);
  const [invitation, setInvitation] = useState<Invitation | null>(null);
  const [said, setSaid] = useState<{ text: string; bad: boolean } | null>(null);
  const people = Object.values(data.person)
    .filter(({ removed }) => !removed)
    .sort((a, b) => ROLES.indexOf(a.role) - ROLES.indexOf(b.role) || a.name.localeCompare(b.name));
  const tried = (work: Promise<unknown>): void => {
    setSaid(null);
    work.then(onChanged, (error: unknown) => setSaid({ text: doorText(speaker, error), bad: true }));
  };
  const invite = async (personId: string, name: string): Promise<void> => {
    // The firm must know somebody before they can be let in.
    await sendNow();
    setInvitation({ personId, name, ...(await api.invite(personId)) });
  };
  const add = (name: string, role: Role): void => {
    const id = uuid();
    setAdding(false);
    tried(write(change('person', 'add', id, { name, role, language: null })).then(() => invite(id, name)));
  };
  const remove = (person: RowOf<'person'>): void => {
    setOpen(null);
    tried(write(change('person', 'remove', person.id)).then(sendNow));
    setSaid({ text: say(speaker, 'doors.removed', { name: person.name }), bad: false });
  };
  return (
    <View className="gap-3" testID="people">
      <T as="h2">{say(speaker, 'doors.people')}</T>
      {said ? (
        <View role={said.bad ? 'alert' : 'status'}>
          <T {...(said.bad ? { tone: 'stop' as const } : {})}>{said.text}</T>
        </View>
      ) : null}
      {people.map((person) => {
        const door = state?.people.find(({ id }) => id === person.id);
        const mine = person.id === me;
        return (
          <View key={person.id} className="gap-2 border-b border-line pb-3">
            <View className="flex-row items-center justify-between gap-3">
              <View className="flex-1">
                <T as="strong">{mine ? say(speaker, 'doors.you', { name: person.name }) : person.name}</T>
                <T as="faint">{[sayCoded(speaker, `role.${person.role}`), say(speaker, `doors.may.${person.role}`)].join(': ')}</T>
                {door ? (
                  <T as="small">
                    {howIn(
                      door,
                      (code, figures) => sayCoded(speaker, code, figures),
                      (iso) => sayDate(speaker, iso, 'moment'),
                    )}
                  </T>
                ) : null}
              </View>
              <Word
                label={say(speaker, open === person.id ? 'sheet.close' : 'jobs.edit')}
                hint={`${say(speaker, open === person.id ? 'sheet.close' : 'jobs.edit')} ${person.name}`}
                onPress={() => setOpen(open === person.id ? null : person.id)}
              />
            </View>
            {open === person.id ? (
              <View className="gap-3">
                <RoleChoice
                  name={person.name}
                  value={person.role}
                  onChange={(role) => tried(write(change('person', 'change', person.id, { role })).then(sendNow))}
                />
                <Button label={say(speaker, 'doors.invite', { name: person.name })} onPress={() => tried(invite(person.id, person.name))} />
                {mine ? null : (
                  <>
                    <Button label={say(speaker, 'doors.endSessions', { name: person.name })} onPress={() => tried(api.endSessions(person.id))} />
                    <Slide label={say(speaker, 'doors.remove', { name: person.name })} onSlid={() => remove(person)} />
                  </>
                )}
              </View>
            ) : null}
            {invitation?.personId === person.id ? <InvitationView {...invitation} onClose={() => setInvitation(null)} /> : null}
          </View>
        );
      })}
      <FormerPeople people={Object.values(data.person).filter(({ removed, name }) => removed && name !== ERASED)} onChanged={onChanged} />
      {adding ? <Adding onAdd={add} /> : <Button label={say(speaker, 'doors.add')} onPress={() => setAdding(true)} />}
      {unsent > 0 ? <T as="small">{say(speaker, 'doors.noSignal')}</T> : null}
    </View>
  );
}

/** Whoever left: on their request they are erased. */
function FormerPeople({ people, onChanged }: { people: readonly RowOf<'person'>[]; onChanged: () => void }) {
  const speaker = useSpeaker();
  const [open, setOpen] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const erase = (id: string): void =>
    void api.erasePerson(id).then(
      () => {
        setSaid(say(speaker, 'doors.erased'));
        onChanged();
      },
      (error: unknown) => setSaid(doorText(speaker, error)),
    );
  if (people.length === 0 && said === null) return null;
  return (
    <View className="gap-3">
      <Word label={say(speaker, 'doors.former')} onPress={() => setOpen(!open)} />
      {said ? (
        <View role="status">
          <T>{said}</T>
        </View>
      ) : null}
      {open ? (
        <>
          <T as="small">{say(speaker, 'doors.eraseHow')}</T>
          {people.map(({ id, name }) => (
            <Slide key={id} label={say(speaker, 'doors.erase', { name })} onSlid={() => erase(id)} />
          ))}
        </>
      ) : null}
    </View>
  );
}

/** By what somebody gets in, in one line. */
function howIn(
  { signIn, passkeys, sessions, invitedUntil }: DoorsState['people'][number],
  said: (code: string, figures?: object) => string,
  at: (iso: string) => string,
): string {
  const parts = [
    signIn ? said('doors.signsInAs', { name: signIn }) : '',
    passkeys > 0 ? said('doors.passkeys', { count: passkeys }) : '',
    sessions > 0 ? said('doors.sessions', { count: sessions }) : '',
    invitedUntil ? said('doors.invitedUntil', { date: at(invitedUntil) }) : '',
  ].filter(Boolean);
  return parts.length > 0 ? parts.join(', ') : said('doors.noDoor');
}

function RoleChoice({ name, value, onChange }: { name: string; value: Role; onChange: (role: Role) => void }) {
  const speaker = useSpeaker();
  return (
    <Choice
      label={say(speaker, 'doors.roleOf', { name })}
      options={ROLES.map((role) => ({ value: role, label: sayCoded(speaker, `role.${role}`) }))}
      value={value}
      onChange={onChange}
    />
  );
}

function Adding({ onAdd }: { onAdd: (name: string, role: Role) => void }) {
  const speaker = useSpeaker();
  const [name, setName] = useState('');
  const [role, setRole] = useState<Role>('crew');
  return (
    <View className="gap-3">
      <View className="flex-row">
        <Field label={say(speaker, 'doors.addName')} value={name} onChange={(text) => setName(text.slice(0, 80))} autoFocus />
      </View>
      <RoleChoice name={name.trim()} value={role} onChange={setRole} />
      <T as="small">{say(speaker, `doors.may.${role}`)}</T>
      <Button label={say(speaker, 'doors.addGo')} tone="act" disabled={name.trim() === ''} onPress={() => onAdd(name.trim(), role)} />
    </View>
  );
}
