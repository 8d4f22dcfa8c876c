import { say } from '@tufa/words';
import { formatDistanceToNowStrict } from 'date-fns/formatDistanceToNowStrict';
import { View } from 'react-native';
import { change, signOut, useFirm, usePerson, write } from '../outbox/useFirm';
import { Button } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { useInstall } from '../parts/phone/install';
import { Screen } from '../parts/chrome/Screen';
import { Standing } from '../parts/chrome/Standing';
import { Answer, T } from '../parts/ui/T';
import { FirmNumbers } from './FirmNumbers';
import { HouseMethodView } from './HouseMethodView';
import { RatesView } from './RatesView';
import { ReadyCheck } from './ReadyCheck';
import { MODES, setPhone, usePhone } from '../parts/phone/useSettings';

/** Who is signed in, how this phone looks, the firm's units, what is unsent. */
export function FirmScreen() {
  const firm = useFirm();
  const person = usePerson();
  const phone = usePhone();
  const install = useInstall();
  const own = Object.values(firm.data.firm)[0];
  const oldest = firm.records.find(({ state }) => state === 'waiting');
  return (
    <Screen
      title={say('firm.title')}
      head={
        <View className="gap-1">
          <Answer size="number">{own?.name ?? say('firm.title')}</Answer>
          <T as="lead">{say('firm.who', { name: person?.name ?? '' })}</T>
          <T as="small">{say('firm.demo')}</T>
        </View>
      }
      foot={<Button label={say('firm.signOut')} onPress={() => void signOut()} />}
    >
      <Standing firm={firm} />
      <Choice
        label={say('firm.look')}
        options={MODES.map((mode) => ({ value: mode, label: say(`firm.${mode}`) }))}
        value={phone.mode}
        onChange={(mode) => setPhone({ mode })}
      />
      <Choice
        label={say('firm.hand')}
        options={[
          { value: 'left', label: say('firm.left') },
          { value: 'right', label: say('firm.right') },
        ]}
        value={phone.hand}
        onChange={(hand) => setPhone({ hand })}
      />
      {own ? (
        <Choice
          label={say('firm.system')}
          options={[
            { value: 'us', label: say('firm.us') },
            { value: 'metric', label: say('firm.metric') },
          ]}
          value={own.settings.system}
          onChange={(system) => void write(change('firm', 'change', own.id, { settings: { ...own.settings, system } }))}
        />
      ) : null}
      {own ? <FirmNumbers own={own} /> : null}
      {own ? <RatesView own={own} /> : null}
      {own ? (
        <HouseMethodView
          own={own.settings.house ?? {}}
          onChange={(house) => void write(change('firm', 'change', own.id, { settings: { ...own.settings, house } }))}
        />
      ) : null}
      <ReadyCheck />
      {install ? <Button label={say('firm.install')} onPress={install} /> : null}
      <View role="status">
        <T>{oldest ? say('firm.help', { count: firm.unsent, age: formatDistanceToNowStrict(new Date(oldest.command.madeAt)) }) : say('firm.allSent')}</T>
      </View>
    </Screen>
  );
}
