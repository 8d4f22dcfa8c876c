import { say } from '@tufa/words';
import { useRouter } from 'expo-router';
import { useState } from 'react';
import { Controller } from 'react-hook-form';
import { View } from 'react-native';
import { links } from '../links';
import { api } from '../outbox/api';
import { enter, thisDevice } from '../outbox/session';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { DoorField } from './DoorField';
import { Codes } from './Codes';
import { DoorPage } from './DoorPage';
import { useDoorForm } from './useDoorForm';
import type { Session } from '@tufa/contract/doors';

/** What most are paid in; another is three letters in Firm. */
const MONEY = ['USD', 'CAD', 'EUR', 'GBP', 'MXN', 'AUD'] as const;

/** Whoever has the code of the terminal makes a firm and is its owner. */
export function StartScreen() {
  const speaker = useSpeaker();
  const router = useRouter();
  const [made, setMade] = useState<(Session & { readonly codes: readonly string[] }) | null>(null);
  const { form, submit, failed, busy } = useDoorForm('firm', {
    initial: { code: '', firm: '', name: '', signIn: '', passphrase: '', system: 'us' as 'us' | 'metric', currency: 'USD' as string },
    more: () => ({ device: thisDevice() }),
    send: async (told) => setMade(await api.makeFirm(told)),
  });
  if (made)
    return (
      <DoorPage title={form.getValues('firm')}>
        <Codes codes={made.codes} onDone={() => void enter(made).then(() => router.replace(links.now()))} />
      </DoorPage>
    );
  const { control } = form;
  return (
    <DoorPage title={say(speaker, 'start.title')} lead={say(speaker, 'start.lead')} failed={failed}>
      <DoorField control={control} name="code" label={say(speaker, 'start.code')} autoComplete="one-time-code" onSubmit={submit} />
      <DoorField control={control} name="firm" label={say(speaker, 'start.firm')} autoComplete="organization" onSubmit={submit} />
      <DoorField control={control} name="name" label={say(speaker, 'start.name')} autoComplete="name" onSubmit={submit} />
      <DoorField control={control} name="signIn" label={say(speaker, 'start.signIn')} autoComplete="username" onSubmit={submit} />
      <DoorField control={control} name="passphrase" label={say(speaker, 'start.passphrase')} secret autoComplete="new-password" onSubmit={submit} />
      <Controller
        control={control}
        name="system"
        render={({ field }) => (
          <Choice
            label={say(speaker, 'start.units')}
            options={[
              { value: 'us', label: say(speaker, 'firm.us') },
              { value: 'metric', label: say(speaker, 'firm.metric') },
            ]}
            value={field.value}
            onChange={field.onChange}
          />
        )}
      />
      <Controller
        control={control}
        name="currency"
        render={({ field }) => (
          <Choice label={say(speaker, 'start.money')} options={MONEY.map((value) => ({ value, label: value }))} value={field.value} onChange={field.onChange} />
        )}
      />
      <View className="gap-3">
        <Button label={say(speaker, busy ? 'signIn.entering' : 'start.go')} big tone="act" disabled={busy} onPress={submit} />
        <Button label={say(speaker, 'signIn.back')} onPress={() => router.replace(links.now())} />
      </View>
    </DoorPage>
  );
}
