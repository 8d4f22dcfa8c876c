import { startedTwice } from '@tufa/core/pour';
import { say } from '@tufa/words';
import { format } from 'date-fns/format';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { T } from '../parts/ui/T';

/** Two people who started the same number without signal are told of each other: neither start is lost. */
export function Twice({ view }: { view: JobView }) {
  const speaker = useSpeaker();
  const name = (id: string): string => view.data.person[id]?.name ?? '';
  const time = (at: number): string => format(at - view.clockOffset, 'HH:mm');
  return startedTwice(view.events).map(({ batch, first, second }) => (
    <T key={`${batch} ${second.at}`} tone="caution" as="strong" className="bg-caution-fill p-3">
      {say(speaker, 'pour.startedTwice', { batch, first: name(first.person), at: time(first.at), second: name(second.person), again: time(second.at) })}
    </T>
  ));
}
