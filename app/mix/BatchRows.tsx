import type { Batch, PlanInput } from '@tufa/core/plan';
import type { BatchState } from '@tufa/core/pour';
import { say } from '@tufa/words';
import { useRouter } from 'expo-router';
import { memo, useCallback, useMemo } from 'react';
import { View } from 'react-native';
import { links } from '../links';
import { useSpeaker } from '../parts/phone/speaker';
import { Growing } from '../parts/ui/Growing';
import { becameText } from './becameText';
import { BatchRow, type Places } from './BatchRow';

/** So many lines are on a phone's screen at once. */
const SCREEN = 5;

/** The batches in their order, drawn again only when something of the list is another. */
export const BatchRows = memo(function BatchRows({
  jobId,
  list,
  states,
  finding,
  element,
  sheets,
  aids,
}: Places &
  Pick<PlanInput, 'sheets' | 'aids'> & {
    jobId: string;
    list: readonly Batch[];
    /** what was poured of it */
    states: readonly BatchState[];
  }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const pick = useCallback((number: string): void => router.push(links.ticket(jobId, number)), [router, jobId]);
  const shelf = useMemo(() => ({ sheets, aids }), [sheets, aids]);
  const rows = useMemo(() => list.map((batch, i) => ({ id: batch.key, batch, before: list[i - 1] })), [list]);
  return (
    <View className="border-t-2 border-ink">
      <Growing label={say(speaker, 'mix.list')} rows={rows} atOnce={SCREEN}>
        {({ batch, before }) => (
          <BatchRow finding={finding} element={element} shelf={shelf} batch={batch} before={before} state={becameText(speaker, batch, states)} onPick={pick} />
        )}
      </Growing>
    </View>
  );
});
