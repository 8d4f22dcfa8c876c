import { useQuery } from '@tanstack/react-query';
import { say } from '@tufa/words';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { links } from '../links';
import { api } from '../outbox/api';
import { notSignedIn } from '../outbox/session';
import { useMay } from '../parts/phone/rights';
import { useSpeaker } from '../parts/phone/speaker';
import { Button, Word } from '../parts/ui/Button';
import { DoorField } from './DoorField';
import { T } from '../parts/ui/T';
import { Codes } from './Codes';
import { makePasskey, noPasskey } from './passkey';
import { doorText, useDoorForm } from './useDoorForm';
import { sayDate } from '@tufa/words/dates';

/** By what whoever is signed in gets in: passphrase, passkeys, and an owner's codes. */
export function OwnDoorsView({ personId }: { personId: string }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const owner = useMay('doors');
  const { data, refetch } = useQuery({ queryKey: ['doors', 'mine'], queryFn: api.ownDoors, staleTime: 0 });
  const [codes, setCodes] = useState<readonly string[] | null>(null);
  const [said, setSaid] = useState<{ text: string; bad: boolean } | null>(null);
  const tried = (work: Promise<unknown>): void => {
    setSaid(null);
    work.then(
      () => void refetch(),
      (error: unknown) => setSaid({ text: doorText(speaker, error), bad: true }),
    );
  };
  const at = (iso: string): string => sayDate(speaker, iso, 'moment');
  const without = noPasskey();
  if (!data) return null;
  return (
    <View className="gap-3" testID="own-doors">
      <T as="h2">{say(speaker, 'doors.mine')}</T>
      <T>{data.signIn ? say(speaker, 'doors.signIn', { name: data.signIn }) : say(speaker, 'doors.demonstration')}</T>
      {said ? (
        <View role={said.bad ? 'alert' : 'status'}>
          <T {...(said.bad ? { tone: 'stop' as const } : {})}>{said.text}</T>
        </View>
      ) : null}
      {data.signIn ? <NewPassphrase onDone={() => setSaid({ text: say(speaker, 'doors.changed'), bad: false })} /> : null}
      <T as="small">{say(speaker, without === 'number' ? 'doors.passkeyNumber' : without ? 'doors.passkeyInsecure' : 'doors.passkeysLead')}</T>
      {data.passkeys.map(({ id, label }) => (
        <View key={id} className="flex-row items-center justify-between">
          <T>{label}</T>
          <Word label={say(speaker, 'doors.passkeyRemove', { name: label })} onPress={() => tried(api.dropPasskey(id))} />
        </View>
      ))}
      {without ? null : (
        <Button
          label={say(speaker, 'doors.passkeyAdd')}
          onPress={() => {
            setSaid(null);
            makePasskey(say(speaker, 'doors.passkeyName', { date: at(new Date().toISOString()) })).then(
              () => void refetch(),
              () => setSaid({ text: say(speaker, 'doors.passkeyFailed'), bad: true }),
            );
          }}
        />
      )}
      {owner && data.signIn ? (
        <>
          <T>{say(speaker, 'doors.codes', { count: data.codesLeft })}</T>
          {codes ? (
            <Codes codes={codes} onDone={() => setCodes(null)} />
          ) : (
            <Button label={say(speaker, 'doors.codesNew')} onPress={() => tried(api.newCodes().then((made) => setCodes(made.codes)))} />
          )}
        </>
      ) : null}
      <Button
        label={say(speaker, 'doors.everywhere')}
        onPress={() =>
          tried(
            api.endSessions(personId).then(() => {
              router.replace(links.now());
              notSignedIn();
            }),
          )
        }
      />
    </View>
  );
}

function NewPassphrase({ onDone }: { onDone: () => void }) {
  const speaker = useSpeaker();
  const { form, submit, failed, busy } = useDoorForm('newPassphrase', {
    initial: { former: '', passphrase: '' },
    send: async (told) => {
      await api.newPassphrase(told);
      form.reset();
      onDone();
    },
  });
  return (
    <View className="gap-3">
      {failed ? (
        <View role="alert">
          <T tone="stop">{failed}</T>
        </View>
      ) : null}
      <DoorField control={form.control} name="former" label={say(speaker, 'doors.formerPassphrase')} secret autoComplete="current-password" onSubmit={submit} />
      <DoorField control={form.control} name="passphrase" label={say(speaker, 'doors.next')} secret autoComplete="new-password" onSubmit={submit} />
      <Button label={say(speaker, 'doors.change')} disabled={busy} onPress={submit} />
    </View>
  );
}
