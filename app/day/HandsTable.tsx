import { printFigure, say } from '@tufa/words';
import { View } from 'react-native';
import type { HandsOutcome } from '../workers/planDay';
import { useSpeaker } from '../parts/phone/speaker';
import { Table } from '../parts/ui/Lines';
import { T } from '../parts/ui/T';
import { clockText } from './barText';
import { sayChance } from './quantityText';

/** The same day with one hand to four: when it is done, what is lost, what the hands cost. */
export function HandsTable({ outcomes, hands, labour_minor_h }: { outcomes: readonly HandsOutcome[]; hands: number; labour_minor_h: number }) {
  const speaker = useSpeaker();
  return (
    <View className="gap-2" testID="hands">
      <T as="h2">{say(speaker, 'dayPlan.compare')}</T>
      <Table
        caption={say(speaker, 'dayPlan.compare')}
        columns={[
          say(speaker, 'dayPlan.compareHands'),
          say(speaker, 'dayPlan.compareDone'),
          say(speaker, 'dayPlan.compareLost'),
          say(speaker, 'dayPlan.compareCost'),
        ]}
        rows={outcomes.map(({ hands: count, done_s, clash, chanceLost, hand_s }) => [
          count === hands ? say(speaker, 'dayPlan.compareYours', { count: String(count) }) : String(count),
          done_s === null || clash ? say(speaker, 'dayPlan.compareNone') : clockText(done_s),
          done_s === null ? '–' : sayChance(speaker, chanceLost),
          done_s === null ? '–' : printFigure(speaker, 'c_minor', Math.round((hand_s / 3600) * labour_minor_h)),
        ])}
      />
    </View>
  );
}
