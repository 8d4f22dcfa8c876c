import { say } from '@tufa/words';
import { ReadUnless, useMay } from '../parts/phone/rights';
import { useRouter } from 'expo-router';
import { useContext } from 'react';
import { View } from 'react-native';
import { links } from '../links';
import { change, useFirm, useUnsent, write } from '../outbox/useFirm';
import { signOut, usePerson } from '../outbox/session';
import { Button } from '../parts/ui/Button';
import { Choice } from '../parts/ui/Choice';
import { useInstall } from '../parts/phone/install';
import { Screen } from '../parts/chrome/Screen';
import { Standing } from '../parts/chrome/Standing';
import { Answer, T } from '../parts/ui/T';
import { ChancesView } from './ChancesView';
import { FirmNumbers } from './FirmNumbers';
import { ArchiveView } from './ArchiveView';
import { HouseMethodView } from './HouseMethodView';
import { HoursView } from './HoursView';
import { LetterheadView } from './LetterheadView';
import { PlacesView } from './PlacesView';
import { RatesView } from './RatesView';
import { VesselsView } from './VesselsView';
import { WorkRatesView } from './WorkRatesView';
import { ReadyCheck } from './ReadyCheck';
import { MODES, setPhone, usePhone } from '../parts/phone/useSettings';
import { ageText } from '../parts/phone/ageText';
import { spokenOf, SpeakInContext, useSpeaker } from '../parts/phone/speaker';
import { LanguageChoice } from '../parts/chrome/LanguageChoice';

/** Who is signed in, how this phone looks, the firm's units, what is unsent. */
export function FirmScreen() {
  const speaker = useSpeaker();
  const router = useRouter();
  const firm = useFirm();
  const { records, unsent } = useUnsent();
  const person = usePerson();
  const phone = usePhone();
  const speakIn = useContext(SpeakInContext);
  const mayArchive = useMay('archive');
  const install = useInstall();
  const row = Object.values(firm.data.firm)[0];
  const oldest = records.find(({ state }) => state === 'waiting');
  return (
    <Screen
      title={say(speaker, 'firm.title')}
      head={
        <View className="gap-1">
          <Answer size="number">{row?.name ?? say(speaker, 'firm.title')}</Answer>
          <T as="lead">{say(speaker, 'firm.who', { name: person?.name ?? '' })}</T>
          {person?.demonstration ? <T as="small">{say(speaker, 'firm.demo')}</T> : null}
        </View>
      }
      foot={<Button label={say(speaker, 'firm.signOut')} onPress={() => void signOut()} />}
    >
      <Standing firm={firm} />
      <Choice
        label={say(speaker, 'firm.look')}
        options={MODES.map((mode) => ({ value: mode, label: say(speaker, `firm.${mode}`) }))}
        value={phone.mode}
        onChange={(mode) => setPhone({ mode })}
      />
      <Choice
        label={say(speaker, 'firm.hand')}
        options={[
          { value: 'left', label: say(speaker, 'firm.left') },
          { value: 'right', label: say(speaker, 'firm.right') },
        ]}
        value={phone.hand}
        onChange={(hand) => setPhone({ hand })}
      />
      {person ? (
        <LanguageChoice
          label={say(speaker, 'firm.language')}
          value={spokenOf(speaker)}
          onChange={(language) => {
            speakIn(language);
            void write(change('person', 'change', person.id, { language }));
          }}
        />
      ) : null}
      <ReadUnless may="firm.change">
        {row ? (
          <Choice
            label={say(speaker, 'firm.system')}
            options={[
              { value: 'us', label: say(speaker, 'firm.us') },
              { value: 'metric', label: say(speaker, 'firm.metric') },
            ]}
            value={row.settings.system}
            onChange={(system) => void write(change('firm', 'change', row.id, { settings: { ...row.settings, system } }))}
          />
        ) : null}
        {row ? <FirmNumbers firm={row} /> : null}
        {row ? <ChancesView firm={row} /> : null}
        {row ? <VesselsView firm={row} /> : null}
        {row ? <PlacesView firm={row} /> : null}
        {row ? <HoursView firm={row} /> : null}
        {row ? <LetterheadView firm={row} /> : null}
        {row ? <WorkRatesView firm={row} /> : null}
        {row ? (
          <ReadUnless may="doors">
            <RatesView firm={row} />
          </ReadUnless>
        ) : null}
        {row ? (
          <HouseMethodView
            told={row.settings.house ?? {}}
            onChange={(house) => void write(change('firm', 'change', row.id, { settings: { ...row.settings, house } }))}
          />
        ) : null}
      </ReadUnless>
      <Button label={say(speaker, 'doors.title')} onPress={() => router.push(links.doors())} />
      <ReadyCheck />
      {row && mayArchive ? <ArchiveView begun={Object.keys(firm.data.job).length > 0} unsent={unsent} /> : null}
      <Button label={say(speaker, 'crewFigures.title')} onPress={() => router.push(links.figures())} />
      {install ? <Button label={say(speaker, 'firm.install')} onPress={install} /> : null}
      <View role="status">
        <T>{oldest ? say(speaker, 'firm.help', { count: unsent, age: ageText(speaker, oldest.command.madeAt) }) : say(speaker, 'firm.allSent')}</T>
      </View>
    </Screen>
  );
}
