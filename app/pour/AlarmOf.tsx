import type { BatchState } from '@tufa/core/pour';
import { say } from '@tufa/words';
import { useEffect, useMemo, useRef } from 'react';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { ring } from './alarm';
import { clockOf } from './clocks';
import { useNow } from './useNow';

/** Seconds before the line at which the phone warns. */
export const WARN_S = 120;
/** Past the line it rings so often, until a thumb silences it. */
const AGAIN_S = 20;
const AGAIN_MOST = 9;

/** By which a batch's alarm is silenced: placed, it has another. */
export const alarmKey = ({ findingId, batch }: BatchState, placed: boolean): string => `${findingId} ${batch} ${placed}`;

/** What of a clock's alarm is due: nothing, two minutes left, the line, and again and again past it. */
const stageOf = (left_s: number): number => (left_s >= WARN_S ? 0 : left_s >= 0 ? 1 : 2 + Math.min(AGAIN_MOST, Math.floor(-left_s / AGAIN_S)));

/** Rings at two minutes, at the line and past it, for every batch that runs and whichever screen of the pour is looked at, until a thumb silences it. */
export function AlarmOf({ view, running, silenced }: { view: JobView; running: readonly BatchState[]; silenced: readonly string[] }) {
  const speaker = useSpeaker();
  const at = useNow(view, running.length > 0) + view.clockOffset;
  const rung = useRef(new Map<string, number>());
  const clocks = useMemo(
    () =>
      running.flatMap((batch) => {
        const found = clockOf(view.data, batch);
        return found ? [{ batch, clock: found.clock, placed: batch.placedAt !== null }] : [];
      }),
    [running, view.data],
  );
  useEffect(() => {
    for (const { batch, clock, placed } of clocks) {
      const { left_s } = clock.at(Math.max(0, (at - batch.startedAt) / 1000));
      const key = alarmKey(batch, placed);
      const stage = stageOf(left_s);
      const before = rung.current.get(key);
      rung.current.set(key, stage);
      // A clock first seen past its line has been missed, not reached: no sound for that.
      if (before === undefined || stage <= before || silenced.includes(key)) continue;
      const left = left_s < 0 ? say(speaker, 'pour.alarmOver') : say(speaker, 'pour.alarmNear', { minutes: String(Math.max(1, Math.ceil(left_s / 60))) });
      ring(stage > 1, `${say(speaker, 'mix.batchOf', { number: batch.batch })}. ${left}`);
    }
  });
  return null;
}
