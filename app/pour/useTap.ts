import type { BatchState, EventPayload, TapKind } from '@tufa/core/pour';
import { useState } from 'react';
import { usePerson } from '../outbox/session';
import type { JobView } from '../parts/job/useJob';
import { log, nextShot } from './log';
import type { Did } from './UndoBand';

/** Logs what is tapped of a batch, one at a time, and says what was done; whether it was: not while another is written, and of nobody. */
export function useTap(view: JobView, batch: BatchState | undefined, onDid: (did: Did) => void) {
  const person = usePerson();
  const [busy, setBusy] = useState(false);
  const tap = async (kind: TapKind, payload: EventPayload = {}): Promise<boolean> => {
    if (busy || !person || !batch) return false;
    setBusy(true);
    try {
      const { findingId, planId } = batch;
      const eventId = await log({ view, person: person.id, kind, batch: batch.batch, findingId, planId, payload });
      onDid({ what: kind, eventId, batch, until: Date.now() + 8000 });
      return true;
    } finally {
      setBusy(false);
    }
  };
  /** The bottle is empty, and the next one begins. */
  const shoot = async (written: string): Promise<void> => {
    if (busy || !person || !batch) return;
    setBusy(true);
    try {
      const eventId = await nextShot({ view, person: person.id, state: batch, written });
      onDid({ what: 'start', eventId, batch: { ...batch, batch: written }, until: Date.now() + 8000 });
    } finally {
      setBusy(false);
    }
  };
  return { person, busy, tap, shoot };
}
