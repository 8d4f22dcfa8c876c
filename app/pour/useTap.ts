import type { BatchState, TapKind } from '@tufa/core/pour';
import { useState } from 'react';
import { usePerson } from '../outbox/useFirm';
import type { JobView } from '../parts/job/useJob';
import { log } from './log';
import type { Did } from './UndoBand';

/** Logs what is tapped of a batch, one at a time, and says what was done; whether it was: not while another is written, and of nobody. */
export function useTap(view: JobView, batch: BatchState | undefined, onDid: (did: Did) => void) {
  const person = usePerson();
  const [busy, setBusy] = useState(false);
  const tap = async (kind: TapKind, text?: string): Promise<boolean> => {
    if (busy || !person || !batch) return false;
    setBusy(true);
    try {
      const { findingId, planId } = batch;
      const eventId = await log({ view, person: person.id, kind, batch: batch.batch, findingId, planId, ...(text === undefined ? {} : { payload: { text } }) });
      onDid({ what: kind, eventId, batch, until: Date.now() + 8000 });
      return true;
    } finally {
      setBusy(false);
    }
  };
  return { person, busy, tap };
}
