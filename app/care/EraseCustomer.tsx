import type { RowOf } from '@tufa/contract/entities';
import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { doorText } from '../doors/useDoorForm';
import { api } from '../outbox/api';
import { useMay } from '../parts/phone/rights';
import { useSpeaker } from '../parts/phone/speaker';
import { Word } from '../parts/ui/Button';
import { Slide } from '../parts/ui/Slide';
import { T } from '../parts/ui/T';

/** Whose job it was is erased on their request, by an owner: from every job of theirs. */
export function EraseCustomer({ job }: { job: RowOf<'job'> }) {
  const speaker = useSpeaker();
  const may = useMay('doors');
  const [open, setOpen] = useState(false);
  const [said, setSaid] = useState<string | null>(null);
  const erase = (): void =>
    void api.eraseCustomer(job.id).then(
      ({ jobs: count, files }) => {
        setOpen(false);
        setSaid(say(speaker, 'doors.erasedCustomer', { count, files: String(files) }));
      },
      (error: unknown) => setSaid(doorText(speaker, error)),
    );
  if (!may) return null;
  return (
    <View className="gap-2">
      {said ? (
        <View role="status">
          <T>{said}</T>
        </View>
      ) : null}
      {open ? (
        <>
          <T as="small">{say(speaker, 'doors.eraseCustomerHow')}</T>
          <Slide label={say(speaker, 'doors.eraseCustomer', { name: job.name })} onSlid={erase} />
        </>
      ) : (
        <Word label={say(speaker, 'doors.eraseCustomer', { name: job.name })} onPress={() => setOpen(true)} />
      )}
    </View>
  );
}
