import { readingsOf } from '@tufa/contract/assemble';
import { say } from '@tufa/words';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { links } from '../links';
import { write } from '../outbox/useFirm';
import { readingAdd } from '../parts/job/readingAdd';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { Word } from '../parts/ui/Button';
import { T } from '../parts/ui/T';

/** Sums of the bench that were kept with the job: each opens as it was asked, and is taken away again. */
export function KeptSums({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const kept = readingsOf(view.data, view.job.id).filter(({ kind, subject }) => kind === 'sum' && subject !== null);
  if (kept.length === 0) return null;
  const remove = (id: string): void => {
    void write(readingAdd({ jobId: view.job.id, kind: 'removal', subject: id, value: { value: 0, source: 'typed' } }));
  };
  return (
    <View className="gap-1" role="list" aria-label={say(speaker, 'sum.keptTitle')}>
      <T as="h2">{say(speaker, 'sum.keptTitle')}</T>
      {kept.map(({ id, subject, value }) => {
        const [code = '', typed = ''] = (subject ?? '').split('?');
        return (
          <View key={id} role="listitem" className="flex-row items-center justify-between border-b border-line">
            <T className="flex-1">{value.typed ?? ''}</T>
            <Word label={say(speaker, 'sum.openAgain')} onPress={() => router.push(links.sum(code, Object.fromEntries(new URLSearchParams(typed))))} />
            <Word writes="reading.add" label={say(speaker, 'sum.drop')} onPress={() => remove(id)} />
          </View>
        );
      })}
    </View>
  );
}
