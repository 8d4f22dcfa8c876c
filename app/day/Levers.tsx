import { leverCombinations, leversOf, type Lever, type WindowAnswer, type WindowQuestion } from '@tufa/core/plan';
import { say, sayShare } from '@tufa/words';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Button } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { vessel } from '../parts/job/vessel';
import { quantityText } from './quantityText';

const minutes = (time_s: number): string => String(Math.round(time_s / 60));

const nameOf = ({ code, figures }: Pick<Lever, 'code' | 'figures'>): string => {
  const { hours = 0, dose = 0, ice_kg = 0 } = figures;
  return say(`lever.${code}`, {
    ...figures,
    doseWord: quantityText('retarderDose', dose),
    // In what the crew weighs with: a little ice is ounces, not hundredths of a pound.
    iceWord: vessel('mass', ice_kg),
    shareWord: sayShare(figures['share'] ?? 1),
    hoursWord: say(hours < 0 ? 'lever.earlier' : 'lever.later', { count: Math.abs(hours) }),
  });
};

/** What would give more time and by how much, each computed anew; one tap tries it. */
export function Levers({
  question,
  answer,
  grid,
  onTry,
}: {
  question: WindowQuestion;
  answer: WindowAnswer;
  grid: readonly number[];
  onTry: (change: Partial<WindowQuestion>) => void;
}) {
  const levers = useMemo(() => leversOf({ question, answer, grid }), [question, answer, grid]);
  // Only where nothing does it alone.
  const together = useMemo(() => (levers.some(({ needed }) => needed) ? [] : leverCombinations({ question, answer, grid })), [levers, question, answer, grid]);
  return (
    <View className="gap-2">
      <T as="h2">{say('day.levers')}</T>
      {levers.length === 0 ? <T as="faint">{say('day.noLever')}</T> : null}
      {question.iceShare ? (
        <View className="flex-row items-center gap-3 border-b border-line py-2">
          <T as="strong" className="flex-1">
            {say('lever.iced', { iceWord: vessel('mass', question.iceShare * answer.batch.water_kg) })}
          </T>
          <Button label={say('lever.noIce')} onPress={() => onTry({ iceShare: 0 })} />
        </View>
      ) : null}
      {levers.map((lever) => (
        <View key={lever.code} className="flex-row items-center gap-3 border-b border-line py-2">
          <View className="flex-1">
            <T as="strong">{nameOf(lever)}</T>
            <T as="small">{say(`lever.why.${lever.code}`)}</T>
            {lever.needed ? <T as="small">{say('lever.enough')}</T> : null}
            {lever.limit ? <T as="small">{say('lever.notEnough', { limit: say(`lever.limit.${lever.limit}`) })}</T> : null}
            {lever.wouldNeed ? <T as="small">{say('lever.wouldNeed', lever.wouldNeed)}</T> : null}
            <T as="strong">
              {Math.round(lever.gain_s / 60) >= 1
                ? say('day.gain', { minutes: minutes(lever.gain_s) })
                : Math.round(lever.slackGain_s / 60) >= 1
                  ? say('day.gainSlack', { minutes: minutes(lever.slackGain_s) })
                  : say('day.gainLittle')}
            </T>
          </View>
          <Button label={say('day.try')} hint={`${say('day.try')}: ${nameOf(lever)}`} onPress={() => onTry(lever.change)} />
        </View>
      ))}
      {together.map(({ moves, change, slack_s }) => {
        const names = moves.map(nameOf);
        return (
          <View key={names.join()} className="flex-row items-center gap-3 border-b border-line py-2">
            <View className="flex-1">
              <T as="small">{say('lever.together')}</T>
              {names.map((name) => (
                <T key={name} as="strong">
                  {name}
                </T>
              ))}
              <T as="strong">{Math.round(slack_s / 60) >= 1 ? say('lever.spare', { minutes: minutes(slack_s) }) : say('lever.justEnough')}</T>
            </View>
            <Button label={say('day.try')} hint={`${say('day.try')}: ${names.join()}`} onPress={() => onTry(change)} />
          </View>
        );
      })}
    </View>
  );
}
