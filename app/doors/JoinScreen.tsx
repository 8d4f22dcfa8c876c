import type { Invited } from '@tufa/contract/doors';
import { useQuery } from '@tanstack/react-query';
import { say, sayCoded } from '@tufa/words';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { links } from '../links';
import { api } from '../outbox/api';
import { WORKED_OUT } from '../outbox/queryClient';
import { enter, thisDevice } from '../outbox/session';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { DoorField } from './DoorField';
import { DoorPage } from './DoorPage';
import { doorText, useDoorForm } from './useDoorForm';
import { sayDate } from '@tufa/words/dates';

/** Somebody opens the link of their invitation: what it says, then what they will sign in with. */
export function JoinScreen() {
  const speaker = useSpeaker();
  const [token] = useState(() => window.location.hash.slice(1));
  // A secret is kept nowhere but in the address.
  const { data, error } = useQuery({ queryKey: [WORKED_OUT, 'invitation', token], queryFn: () => api.invited(token), retry: false, gcTime: 0 });
  if (!data)
    return (
      <DoorPage title={say(speaker, 'join.looking')} failed={error ? doorText(speaker, error) : null}>
        {null}
      </DoorPage>
    );
  return <Join token={token} invited={data} />;
}

function Join({ token, invited: { firm, name, role, endsAt } }: { token: string; invited: Invited }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const { form, submit, failed, busy } = useDoorForm('byInvitation', {
    initial: { signIn: '', passphrase: '' },
    more: () => ({ token, device: thisDevice() }),
    send: async (told) => {
      await enter(await api.signIn('/invitation', told));
      router.replace(links.now());
    },
  });
  return (
    <DoorPage
      title={say(speaker, 'join.title', { firm })}
      lead={say(speaker, 'join.lead', { name, role: sayCoded(speaker, `role.${role}`), ends: sayDate(speaker, endsAt, 'moment') })}
      failed={failed}
    >
      <DoorField control={form.control} name="signIn" label={say(speaker, 'start.signIn')} autoComplete="username" onSubmit={submit} />
      <DoorField control={form.control} name="passphrase" label={say(speaker, 'start.passphrase')} secret autoComplete="new-password" onSubmit={submit} />
      <Button label={say(speaker, busy ? 'signIn.entering' : 'join.go')} big tone="act" disabled={busy} onPress={submit} />
    </DoorPage>
  );
}
