import type { BatchState } from '@tufa/core/pour';
import { say } from '@tufa/words';
import { format } from 'date-fns/format';
import type { ReactNode } from 'react';
import { StepLayout } from '../parts/job/StepScreen';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { Answer, T } from '../parts/ui/T';
import { BigEvents } from './BigEvents';
import type { Did } from './UndoBand';
import { useTap } from './useTap';

/** A batch that runs by a plan which this release cannot read: no clock, and its end can be told all the same. */
export function UnreadBatch({
  view,
  batch,
  band,
  onDid,
  onNext,
  onClocks,
}: {
  view: JobView;
  batch: BatchState;
  band: ReactNode;
  onDid: (did: Did) => void;
  onNext: () => void;
  /** leads back to the batches that have a clock; null where none has */
  onClocks: (() => void) | null;
}) {
  const speaker = useSpeaker();
  const { busy, tap } = useTap(view, batch, onDid);
  return (
    <StepLayout
      step="pour"
      view={view}
      parts={{
        head: <Answer size="number">{say(speaker, 'pour.unread', { batch: batch.batch })}</Answer>,
        body: (
          <>
            <T tone="caution">{say(speaker, 'pour.unreadLead', { time: format(batch.startedAt - view.clockOffset, 'HH:mm') })}</T>
            {band}
            {onClocks ? <Button label={say(speaker, 'pour.clocks')} onPress={onClocks} /> : null}
            <Button label={say(speaker, 'pour.other')} onPress={onNext} />
          </>
        ),
        foot: <BigEvents make="pail" placed={batch.placedAt !== null} busy={busy} shot={null} onTap={(kind) => void tap(kind)} onShot={() => undefined} />,
      }}
    />
  );
}
