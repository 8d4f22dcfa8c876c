import { say } from '@tufa/words';
import { useRouter } from 'expo-router';
import { links } from '../links';
import { api } from '../outbox/api';
import { enter, thisDevice } from '../outbox/session';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { DoorField } from './DoorField';
import { DoorPage } from './DoorPage';
import { useDoorForm } from './useDoorForm';

/** A passphrase is lost: a code from paper opens the door once and sets another. */
export function RecoveryScreen() {
  const speaker = useSpeaker();
  const router = useRouter();
  const { form, submit, failed, busy } = useDoorForm('byRecovery', {
    initial: { signIn: '', code: '', passphrase: '' },
    more: () => ({ device: thisDevice() }),
    send: async (told) => {
      await enter(await api.signIn('/recovery', told));
      router.replace(links.now());
    },
  });
  return (
    <DoorPage title={say(speaker, 'recovery.title')} lead={say(speaker, 'recovery.lead')} failed={failed}>
      <DoorField control={form.control} name="signIn" label={say(speaker, 'signIn.name')} autoComplete="username" onSubmit={submit} />
      <DoorField control={form.control} name="code" label={say(speaker, 'recovery.code')} autoComplete="one-time-code" onSubmit={submit} />
      <DoorField control={form.control} name="passphrase" label={say(speaker, 'recovery.passphrase')} secret autoComplete="new-password" onSubmit={submit} />
      <Button label={say(speaker, busy ? 'signIn.entering' : 'recovery.go')} big tone="act" disabled={busy} onPress={submit} />
      <Button label={say(speaker, 'signIn.back')} onPress={() => router.replace(links.now())} />
    </DoorPage>
  );
}
