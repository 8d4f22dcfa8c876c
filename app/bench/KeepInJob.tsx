import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { write, type Firm } from '../outbox/useFirm';
import { usePerson } from '../outbox/session';
import { readingAdd } from '../parts/job/readingAdd';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { T } from '../parts/ui/T';

/** Keeps a sum with a job, as it was asked and answered: Mix shows it, and one tap opens it again. */
export function KeepInJob({ firm, kept }: { firm: Firm; kept: () => { readonly subject: string; readonly typed: string } }) {
  const speaker = useSpeaker();
  const person = usePerson();
  const [choosing, setChoosing] = useState(false);
  const [done, setDone] = useState<string | null>(null);
  const jobs = Object.values(firm.data.job).filter(({ removed }) => !removed);
  const keep = async (jobId: string, name: string): Promise<void> => {
    const { subject, typed } = kept();
    await write(readingAdd({ jobId, kind: 'sum', subject, value: { value: 0, source: 'typed', typed: typed.slice(0, 60), by: person?.name ?? '' } }));
    setChoosing(false);
    setDone(name);
  };
  if (jobs.length === 0) return null;
  return (
    <View className="gap-2">
      {done ? (
        <View role="status">
          <T as="strong">{say(speaker, 'sum.kept', { name: done })}</T>
        </View>
      ) : null}
      <Button label={say(speaker, choosing ? 'sum.keepNot' : 'sum.keep')} onPress={() => setChoosing(!choosing)} />
      {choosing ? jobs.map(({ id, name }) => <Button key={id} label={name} onPress={() => void keep(id, name)} />) : null}
    </View>
  );
}
