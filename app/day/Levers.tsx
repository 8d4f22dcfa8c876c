import { leverCombinations, leversOf, type WindowAnswer, type WindowQuestion } from '@tufa/core/plan';
import { say, sayCoded, printMeasure } from '@tufa/words';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Button } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { leverName } from './leverName';
import { useSpeaker } from '../parts/phone/speaker';

const minutes = (time_s: number): string => String(Math.round(time_s / 60));

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
  const speaker = useSpeaker();
  const levers = useMemo(() => leversOf({ question, answer, grid }), [question, answer, grid]);
  // Only where nothing does it alone.
  const together = useMemo(() => (levers.some(({ needed }) => needed) ? [] : leverCombinations({ question, answer, grid })), [levers, question, answer, grid]);
  return (
    <View className="gap-2">
      <T as="h2">{say(speaker, 'day.levers')}</T>
      {levers.length === 0 ? <T as="faint">{say(speaker, 'day.noLever')}</T> : null}
      {question.iceShare ? (
        <View className="flex-row items-center gap-3 border-b border-line py-2">
          <T as="strong" className="flex-1">
            {say(speaker, 'lever.iced', { iceWord: printMeasure(speaker, 'mass', answer.batch.ice_kg) })}
          </T>
          <Button label={say(speaker, 'lever.noIce')} onPress={() => onTry({ iceShare: 0 })} />
        </View>
      ) : null}
      {levers.map((lever) => (
        <View key={lever.code} className="flex-row items-center gap-3 border-b border-line py-2">
          <View className="flex-1">
            <T as="strong">{leverName(speaker, lever)}</T>
            <T as="small">{say(speaker, `lever.why.${lever.code}`)}</T>
            {lever.needed ? <T as="small">{say(speaker, 'lever.enough')}</T> : null}
            {lever.limit ? <T as="small">{say(speaker, 'lever.notEnough', { limit: say(speaker, `lever.limit.${lever.limit}`) })}</T> : null}
            {lever.wouldNeed ? <T as="small">{sayCoded(speaker, 'lever.wouldNeed', lever.wouldNeed)}</T> : null}
            <T as="strong">
              {Math.round(lever.gain_s / 60) >= 1
                ? say(speaker, 'day.gain', { minutes: minutes(lever.gain_s) })
                : Math.round(lever.slackGain_s / 60) >= 1
                  ? say(speaker, 'day.gainSlack', { minutes: minutes(lever.slackGain_s) })
                  : say(speaker, 'day.gainLittle')}
            </T>
          </View>
          <Button label={say(speaker, 'day.try')} hint={`${say(speaker, 'day.try')}: ${leverName(speaker, lever)}`} onPress={() => onTry(lever.change)} />
        </View>
      ))}
      {together.map(({ moves, change, slack_s }) => {
        const names = moves.map((lever) => leverName(speaker, lever));
        return (
          <View key={names.join()} className="flex-row items-center gap-3 border-b border-line py-2">
            <View className="flex-1">
              <T as="small">{say(speaker, 'lever.together')}</T>
              {names.map((name) => (
                <T key={name} as="strong">
                  {name}
                </T>
              ))}
              <T as="strong">{Math.round(slack_s / 60) >= 1 ? say(speaker, 'lever.spare', { minutes: minutes(slack_s) }) : say(speaker, 'lever.justEnough')}</T>
            </View>
            <Button label={say(speaker, 'day.try')} hint={`${say(speaker, 'day.try')}: ${names.join()}`} onPress={() => onTry(change)} />
          </View>
        );
      })}
    </View>
  );
}
