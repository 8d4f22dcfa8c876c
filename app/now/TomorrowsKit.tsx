import type { RowOf } from '@tufa/contract/entities';
import { say } from '@tufa/words/speak';
import { useRouter } from 'expo-router';
import { lazy, Suspense } from 'react';
import { View } from 'react-native';
import { links } from '../links';
import { whenItComes } from '../parts/phone/later';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { T } from '../parts/ui/T';

const KitMissing = lazy(() => whenItComes(() => import('./KitMissing')).then(({ KitMissing: Part }) => ({ default: Part })));

/** The day before: the kit of a job that pours tomorrow. Its place stands at once; what is missing is worked out beside the screen. */
export function TomorrowsKit({ job }: { job: RowOf<'job'> }) {
  const speaker = useSpeaker();
  const router = useRouter();
  return (
    <View className="gap-2 border-l-4 border-edge bg-sheet p-3" testID="kit-asked">
      <T as="strong">{say(speaker, 'now.kit', { name: job.name })}</T>
      <View className="min-h-[92px] lg:min-h-[46px]">
        <Suspense fallback={<T>{say(speaker, 'now.kitWorking')}</T>}>
          <KitMissing job={job} />
        </Suspense>
      </View>
      <Button label={say(speaker, 'now.kitOpen')} onPress={() => router.push(links.kit(job.id))} />
    </View>
  );
}
