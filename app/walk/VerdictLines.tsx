import { isUnanswered } from '@tufa/core/survey';
import type { ElementSurvey } from '@tufa/core/plan';
import { say, sayReason, sayProblem } from '@tufa/words';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { T } from '../parts/ui/T';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';

/** Repairable, borderline or stop; it opens to every rule behind it. */
export function VerdictLines({ view, survey, open }: { view: JobView; survey: ElementSurvey | undefined; open: number }) {
  const speaker = useSpeaker();
  const [shown, setShown] = useState(false);
  if (view.problem) return <T tone="stop">{sayProblem(speaker, view.problem)}</T>;
  if (!survey) return null;
  const { verdict, stops } = survey;
  const answered = verdict.reasons.filter((reason) => !isUnanswered(reason));
  if (verdict.code === 'stop' && answered.length === 0)
    return <T tone="caution">{`${say(speaker, 'walk.verdictOpen')} ${say(speaker, 'verdict.unanswered')}`}</T>;
  const [first, ...others] = [...answered].sort((a, b) => Number(b.verdict === 'no') - Number(a.verdict === 'no'));
  const tone = verdict.code === 'stop' ? 'stop' : verdict.code === 'borderline' ? 'caution' : undefined;
  return (
    <View>
      <T {...(tone ? { tone } : {})}>{`${say(speaker, `verdict.${verdict.code}`)} ${first ? sayReason(speaker, first) : ''}`}</T>
      {survey.stops.length > 0 && open < 5 ? <T as="strong">{say(speaker, 'verdict.ask')}</T> : null}
      {verdict.code === 'stop' && stops.length === 0 ? <T as="strong">{say(speaker, 'opinion.goesOnShort')}</T> : null}
      {others.length > 0 ? (
        <Pressable
          role="button"
          aria-expanded={shown}
          onPress={() => setShown(!shown)}
          className="min-h-[56px] lg:min-h-[48px] justify-center"
          testID="verdict-more"
        >
          <T as="faint" className="underline">
            {shown ? say(speaker, 'walk.fewerReasons') : say(speaker, 'walk.moreReasons', { count: others.length })}
          </T>
        </Pressable>
      ) : null}
      {shown
        ? others.map((reason, i) => (
            <T key={i} tone={reason.verdict === 'no' ? 'stop' : 'caution'}>
              {sayReason(speaker, reason)}
            </T>
          ))
        : null}
    </View>
  );
}
