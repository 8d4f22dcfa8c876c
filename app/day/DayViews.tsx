import { say } from '@tufa/words';
import { useRouter } from 'expo-router';
import { links } from '../links';
import { useSpeaker } from '../parts/phone/speaker';
import { Choice } from '../parts/ui/Choice';

export type DayView = 'batch' | 'week' | 'plan';

/** The ways to look at a day: one batch's minutes, the hours of the week, the day by the clock. */
export function DayViews({ jobId, view }: { jobId: string; view: DayView }) {
  const speaker = useSpeaker();
  const router = useRouter();
  return (
    <Choice
      label={say(speaker, 'week.views')}
      labelHidden
      value={view}
      options={[
        { value: 'batch', label: say(speaker, 'week.batch') },
        { value: 'week', label: say(speaker, 'week.week') },
        { value: 'plan', label: say(speaker, 'week.plan') },
      ]}
      onChange={(next) => router.replace(next === 'week' ? links.week(jobId) : next === 'plan' ? links.dayPlan(jobId) : links.step(jobId, 'day'))}
    />
  );
}
