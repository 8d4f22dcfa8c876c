import { leversOf, type Lever, type WindowAnswer, type WindowQuestion } from '@tufa/core/plan';
import { say, sayShare } from '@tufa/words';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Button } from '../parts/Button';
import { T } from '../parts/T';

const minutes = (time_s: number): string => String(Math.round(time_s / 60));

const nameOf = ({ code, figures }: Lever): string => say(`lever.${code}`, { ...figures, shareWord: sayShare(figures['share'] ?? 1) });

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
  return (
    <View className="gap-2">
      <T as="h2">{say('day.levers')}</T>
      {levers.length === 0 ? <T as="faint">{say('day.noLever')}</T> : null}
      {levers.map((lever) => (
        <View key={lever.code} className="flex-row items-center gap-3 border-b border-line py-2">
          <View className="flex-1">
            <T as="strong">{nameOf(lever)}</T>
            <T as="small">{say(`lever.why.${lever.code}`)}</T>
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
    </View>
  );
}
