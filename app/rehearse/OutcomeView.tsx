import type { RehearsalOutcome } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { format } from 'date-fns/format';
import { View } from 'react-native';
import { Screen } from '../parts/chrome/Screen';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { Answer, T } from '../parts/ui/T';
import { minutesText, momentText } from './momentText';

/** How a rehearsal went: what was lost, what stood idle, and the moments that decided. */
export function OutcomeView({
  title,
  outcome,
  whole,
  begins_ms,
  onAgain,
  onOthers,
}: {
  title: string;
  outcome: RehearsalOutcome;
  /** it was played to its end */
  whole: boolean;
  begins_ms: number;
  onAgain: () => void;
  onOthers: () => void;
}) {
  const speaker = useSpeaker();
  const { lost, started, wasted_s, took_s, moments } = outcome;
  const time = (at_s: number): string => format(begins_ms + at_s * 1000, 'HH:mm');
  return (
    <Screen
      title={title}
      head={
        <View className="gap-1">
          <Answer size="answer" after={title}>
            {lost === 0
              ? say(speaker, whole ? 'rehearse.outcome.none' : 'rehearse.outcome.early')
              : say(speaker, 'rehearse.outcome.lost', { lost: String(lost), started: String(started) })}
          </Answer>
          <T as="lead">{`${wasted_s < 30 ? say(speaker, 'rehearse.outcome.busy') : say(speaker, 'rehearse.outcome.idle', { wasted: minutesText(speaker, wasted_s) })} ${say(speaker, whole ? 'rehearse.outcome.done' : 'rehearse.outcome.until', { time: time(took_s) })}`}</T>
        </View>
      }
      foot={
        <View className="gap-3">
          <Button label={say(speaker, 'rehearse.outcome.again')} tone="act" onPress={onAgain} />
          <Button label={say(speaker, 'rehearse.outcome.others')} onPress={onOthers} />
        </View>
      }
    >
      <T as="h2">{say(speaker, 'rehearse.outcome.moments')}</T>
      {moments.length === 0 ? <T>{say(speaker, 'rehearse.outcome.quiet')}</T> : null}
      <View role="list" aria-label={say(speaker, 'rehearse.outcome.moments')} testID="moments">
        {moments.map((moment, i) => (
          <View key={i} role="listitem" className="flex-row gap-3 border-b border-line py-3">
            <T as="strong">{time(moment.at_s)}</T>
            <T className="flex-1" {...(moment.code === 'lost' ? { tone: 'stop' as const, as: 'strong' as const } : {})}>
              {momentText(speaker, moment)}
            </T>
          </View>
        ))}
      </View>
      <T as="small">{say(speaker, whole ? 'rehearse.outcome.kept' : 'rehearse.outcome.notKept')}</T>
    </Screen>
  );
}
