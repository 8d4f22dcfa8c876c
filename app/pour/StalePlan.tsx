import { say } from '@tufa/words';
import { View } from 'react-native';
import { Button } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import type { JobView } from '../parts/job/useJob';
import { differenceLines } from './differenceLines';
import { isUnreadable, staleOf, takeNewPlan } from './storedPlan';
import { useSpeaker } from '../parts/phone/speaker';

/** What was found since the plan in use was made, and what a new one would change: taken only when asked. */
export function StalePlan({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const stale = staleOf(view);
  const unreadable = !stale && isUnreadable(view);
  if (!stale && !unreadable) return null;
  const lines = stale ? differenceLines(speaker, stale.difference) : [];
  return (
    <View role="status" className="gap-2 border-2 border-dashed border-stale bg-sheet p-3" testID="stale">
      <T as="strong">{say(speaker, unreadable ? 'stale.unreadable' : 'stale.title')}</T>
      <T>{unreadable ? say(speaker, 'stale.unreadableLead') : lines.length > 0 ? lines.join(', ') : say(speaker, 'stale.same')}</T>
      <Button writes="plan.add" label={say(speaker, 'stale.take')} onPress={() => void takeNewPlan(view)} />
    </View>
  );
}
