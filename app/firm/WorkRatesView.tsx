import type { RowOf } from '@tufa/contract/entities';
import { DEFAULT_CREW, rateOf } from '@tufa/core/plan';
import { WORKS } from '@tufa/core/day';
import { say } from '@tufa/words';
import { View } from 'react-native';
import { change, write } from '../outbox/useFirm';
import { useSpeaker } from '../parts/phone/speaker';
import { T } from '../parts/ui/T';
import { WorkRate } from './WorkRate';

/** What one person of the firm does in a minute, by the kind of work: jobs that say nothing of their own are planned with it. */
export function WorkRatesView({ firm }: { firm: RowOf<'firm'> }) {
  const speaker = useSpeaker();
  const set = firm.settings.workRates ?? {};
  return (
    <View className="gap-2" testID="work-rates">
      <T as="h2">{say(speaker, 'works.title')}</T>
      <T as="faint">{say(speaker, 'works.lead')}</T>
      <View className="flex-row flex-wrap gap-2">
        {WORKS.map((work) => (
          <WorkRate
            key={work}
            work={work}
            rate={rateOf({ crew: DEFAULT_CREW, firm: firm.settings }, work)}
            assumed={set[work] === undefined}
            onChange={(rate) => void write(change('firm', 'change', firm.id, { settings: { ...firm.settings, workRates: { ...set, [work]: rate } } }))}
          />
        ))}
      </View>
    </View>
  );
}
