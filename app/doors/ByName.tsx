import { say } from '@tufa/words';
import { Link } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { links } from '../links';
import { api } from '../outbox/api';
import { enter, thisDevice } from '../outbox/session';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { DoorField } from './DoorField';
import { T } from '../parts/ui/T';
import { DoorPage } from './DoorPage';
import { noPasskey, signInByPasskey } from './passkey';
import { useDoorForm } from './useDoorForm';

const LINK = 'min-h-[48px] py-3 font-text text-16 text-ink underline';

/** A firm's own sign-in: by name and passphrase, or by a passkey where there can be one. */
export function ByName() {
  const speaker = useSpeaker();
  const [notShown, setNotShown] = useState(false);
  const { form, submit, failed, busy } = useDoorForm('byPassphrase', {
    initial: { signIn: '', passphrase: '' },
    more: () => ({ device: thisDevice() }),
    send: async (told) => enter(await api.signIn('/passphrase', told)),
  });
  const byPasskey = (): void => {
    setNotShown(false);
    signInByPasskey().catch(() => setNotShown(true));
  };
  return (
    <DoorPage title={say(speaker, 'signIn.byName')} failed={notShown ? say(speaker, 'signIn.passkeyNot') : failed}>
      <DoorField control={form.control} name="signIn" label={say(speaker, 'signIn.name')} autoComplete="username" onSubmit={submit} />
      <DoorField control={form.control} name="passphrase" label={say(speaker, 'signIn.passphrase')} secret autoComplete="current-password" onSubmit={submit} />
      <Button label={say(speaker, busy ? 'signIn.entering' : 'signIn.enter')} big tone="act" disabled={busy} onPress={submit} />
      {noPasskey() ? null : <Button label={say(speaker, 'signIn.passkey')} onPress={byPasskey} />}
      <View className="flex-row flex-wrap gap-x-6">
        <Link href={links.recovery()} className={LINK}>
          {say(speaker, 'signIn.lost')}
        </Link>
        <Link href={links.start()} className={LINK}>
          {say(speaker, 'signIn.makeFirm')}
        </Link>
      </View>
      <T as="small">{say(speaker, 'signIn.invited')}</T>
    </DoorPage>
  );
}
