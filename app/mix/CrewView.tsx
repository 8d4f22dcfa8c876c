import { rateOf, type PlanInput } from '@tufa/core/plan';
import { WORKS } from '@tufa/core/day';
import { say } from '@tufa/words';
import { memo } from 'react';
import { View } from 'react-native';
import { WorkRate } from '../firm/WorkRate';
import { change, write } from '../outbox/useFirm';
import { useSpeaker } from '../parts/phone/speaker';
import { Choice } from '../parts/ui/Choice';
import { T } from '../parts/ui/T';

const HANDS = ['1', '2', '3', '4'] as const;

/** Who is there, and how fast at each work of the list: who mixes does not place meanwhile. Kept with the job. */
export const CrewView = memo(function CrewView({
  jobId,
  crew,
  firm,
  works,
}: Pick<PlanInput, 'crew' | 'firm'> & {
  jobId: string;
  /** codes of the works of the list */
  works: string;
}) {
  const speaker = useSpeaker();
  const keep = (next: Partial<PlanInput['crew']>): void => void write(change('job', 'change', jobId, { crew: { ...crew, ...next } }));
  return (
    <View className="gap-2" testID="crew">
      <T as="h2">{say(speaker, 'crew.title')}</T>
      <Choice
        label={say(speaker, 'crew.hands')}
        value={HANDS.find((hands) => Number(hands) === crew.hands) ?? null}
        options={HANDS.map((hands) => ({ value: hands, label: hands }))}
        onChange={(hands) => keep({ hands: Number(hands) })}
      />
      <T as="faint">{say(speaker, crew.hands === 1 ? 'crew.alone' : 'crew.together', { count: crew.hands - 1 })}</T>
      {crew.hands > 1 ? (
        <Choice
          label={say(speaker, 'crew.finishers')}
          value={HANDS.find((hands) => Number(hands) === Math.min(crew.hands, crew.finishers ?? crew.hands)) ?? null}
          options={HANDS.slice(0, crew.hands).map((hands) => ({ value: hands, label: hands }))}
          onChange={(finishers) => keep({ finishers: Number(finishers) })}
        />
      ) : null}
      {WORKS.filter((work) => works.split(' ').includes(work)).map((work) => (
        <WorkRate
          key={work}
          work={work}
          rate={rateOf({ crew, firm }, work)}
          assumed={crew.rates?.[work] === undefined}
          onChange={(rate) => keep({ rates: { ...crew.rates, [work]: rate } })}
        />
      ))}
    </View>
  );
});
