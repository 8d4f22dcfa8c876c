import { say } from '@tufa/words';
import { View } from 'react-native';
import { Way } from '../parts/chrome/Way';
import { links } from '../links';
import { useFirm } from '../outbox/useFirm';
import { usePerson } from '../outbox/session';
import { Screen } from '../parts/chrome/Screen';
import { useSpeaker } from '../parts/phone/speaker';
import { Answer, T } from '../parts/ui/T';
import { minutesText } from './momentText';
import { LEVELS, SCENARIOS } from './scenarios';
import { triesOf } from './triesOf';

/** The twelve, from easy to hard, with how they went for whoever is signed in. */
export function RehearsalsScreen() {
  const speaker = useSpeaker();
  const person = usePerson();
  const { data } = useFirm();
  const rows = SCENARIOS.map((scenario) => ({ scenario, tries: triesOf(data, person?.id, scenario.code) }));
  const through = rows.filter(({ tries }) => tries[0]?.lost === 0).length;
  const told = (tries: ReturnType<typeof triesOf>): string => {
    const [best] = tries;
    if (!best) return say(speaker, 'rehearse.untried');
    return say(speaker, 'rehearse.best', {
      tries: say(speaker, 'rehearse.tries', { count: tries.length }),
      lost: best.lost === 0 ? say(speaker, 'rehearse.lostNone') : say(speaker, 'rehearse.lostOf', { count: best.lost }),
      wasted: minutesText(speaker, best.wasted_s),
    });
  };
  return (
    <Screen
      title={say(speaker, 'rehearse.title')}
      head={
        <View className="gap-1">
          <Answer size="number" after={say(speaker, 'rehearse.title')}>
            {say(speaker, 'rehearse.through', { count: through, of: String(SCENARIOS.length) })}
          </Answer>
          <T as="lead">{say(speaker, 'rehearse.lead')}</T>
        </View>
      }
    >
      {LEVELS.map((level) => (
        <View key={level}>
          <T as="h2">{say(speaker, `rehearse.level.${level}`)}</T>
          {rows
            .filter(({ scenario }) => scenario.level === level)
            .map(({ scenario: { code }, tries }) => (
              <Way key={code} href={links.scenario(code)} className="min-h-[76px] justify-center border-b border-line py-3">
                <T as="strong">{say(speaker, `rehearse.scenario.${code}.title`)}</T>
                <T as="faint">{say(speaker, `rehearse.scenario.${code}.lead`)}</T>
                <T as="small" {...(tries[0]?.lost === 0 ? { tone: 'act' as const } : {})}>
                  {told(tries)}
                </T>
              </Way>
            ))}
        </View>
      ))}
    </Screen>
  );
}
