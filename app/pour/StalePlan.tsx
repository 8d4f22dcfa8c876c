import { printFigure, say } from '@tufa/words';
import { View } from 'react-native';
import { Button } from '../parts/Button';
import { T } from '../parts/T';
import type { JobView } from '../parts/useJob';
import { staleOf, takeNewPlan } from './storedPlan';

/** What was found since the plan in use was made, and what a new one would change: taken only when asked. */
export function StalePlan({ view }: { view: JobView }) {
  const stale = staleOf(view);
  if (!stale) return null;
  const { bad_m2, packages, batches, work_s, cost_minor } = stale.difference;
  const later_s = work_s[1] - work_s[0];
  const lines = [
    ...(bad_m2[0] === bad_m2[1] ? [] : [say('stale.bad', { before_m2: bad_m2[0], after_m2: bad_m2[1] })]),
    ...(packages[0] === packages[1] ? [] : [say('stale.packages', { before: String(packages[0]), after: String(packages[1]), count: packages[1] })]),
    ...(batches[0] === batches[1] ? [] : [say('stale.batches', { before: String(batches[0]), after: String(batches[1]), count: batches[1] })]),
    ...(Math.abs(later_s) < 60 ? [] : [say(later_s > 0 ? 'stale.later' : 'stale.sooner', { by_s: Math.abs(later_s) })]),
    ...(cost_minor[0] === cost_minor[1] ? [] : [`${printFigure('cost_minor', cost_minor[0])} → ${printFigure('cost_minor', cost_minor[1])}`]),
  ];
  return (
    <View role="status" className="gap-2 border-2 border-dashed border-stale bg-sheet p-3" testID="stale">
      <T as="strong">{say('stale.title')}</T>
      <T>{lines.length > 0 ? lines.join(', ') : say('stale.same')}</T>
      <Button label={say('stale.take')} onPress={() => void takeNewPlan(view)} />
    </View>
  );
}
