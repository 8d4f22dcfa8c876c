import type { ElementSurvey } from '@tufa/core/plan';
import { say, sayReason } from '@tufa/words';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { T } from '../parts/ui/T';
import type { JobView } from '../parts/job/useJob';

/** Repairable, borderline or stop; it opens to every rule behind it. */
export function VerdictLines({ view, survey, open }: { view: JobView; survey: ElementSurvey | undefined; open: number }) {
  const [shown, setShown] = useState(false);
  if (view.problem) return <T tone="stop">{say(`problem.${view.problem.code}`, view.problem.figures)}</T>;
  if (!survey) return null;
  const { verdict, stops } = survey;
  const answered = verdict.reasons.filter(({ figures }) => figures['answer'] !== 'unanswered');
  if (verdict.code === 'stop' && answered.length === 0) return <T tone="caution">{`${say('walk.verdictOpen')} ${say('verdict.unanswered')}`}</T>;
  const [first, ...others] = [...answered].sort((a, b) => Number(b.verdict === 'no') - Number(a.verdict === 'no'));
  const tone = verdict.code === 'stop' ? 'stop' : verdict.code === 'borderline' ? 'caution' : undefined;
  return (
    <View>
      <T {...(tone ? { tone } : {})}>{`${say(`verdict.${verdict.code}`)} ${first ? sayReason(first) : ''}`}</T>
      {survey.stops.length > 0 && open < 5 ? <T as="strong">{say('verdict.ask')}</T> : null}
      {verdict.code === 'stop' && stops.length === 0 ? <T as="strong">{say('opinion.goesOnShort')}</T> : null}
      {others.length > 0 ? (
        <Pressable
          role="button"
          aria-expanded={shown}
          onPress={() => setShown(!shown)}
          className="min-h-[56px] lg:min-h-[48px] justify-center"
          testID="verdict-more"
        >
          <T as="faint" className="underline">
            {shown ? say('walk.fewerReasons') : say('walk.moreReasons', { count: others.length })}
          </T>
        </Pressable>
      ) : null}
      {shown
        ? others.map((reason, i) => (
            <T key={i} tone={reason.verdict === 'no' ? 'stop' : 'caution'}>
              {sayReason(reason)}
            </T>
          ))
        : null}
    </View>
  );
}
