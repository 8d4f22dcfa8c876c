import { assemblePlanInput } from '@tufa/contract/assemble';
import type { RowOf } from '@tufa/contract/entities';
import { say, sayKit } from '@tufa/words';
import { useMemo } from 'react';
import { loadedOf } from '../fix/loadedOf';
import { useFirmWith } from '../outbox/useFirm';
import { useSpeaker } from '../parts/phone/speaker';
import { T } from '../parts/ui/T';
import { useWorkedOut } from '../workers/useWorkedOut';

/** As many are named; the list itself has the rest. */
const NAMED = 3;

/** What of a job's kit is not loaded yet, by name. What cannot be planned yet has no kit; the job itself says why. */
export function KitMissing({ job }: { job: RowOf<'job'> }) {
  const speaker = useSpeaker();
  const { data, ready } = useFirmWith(job.id);
  const input = useMemo(() => (ready ? assemblePlanInput(data, job.id) : null), [data, ready, job.id]);
  const kit = useWorkedOut('kit', input ? [input] : null, (worker) => worker.kit(input!), { keepLast: true });
  if (!ready) return <T>{say(speaker, 'now.kitWorking')}</T>;
  if (!input || kit.isError || kit.data?.length === 0) return <T>{say(speaker, 'now.kitUnplanned')}</T>;
  if (!kit.data) return <T>{say(speaker, 'now.kitWorking')}</T>;
  const loaded = loadedOf(data, job.id);
  const missing = kit.data.filter(({ key }) => !loaded.has(key));
  if (missing.length === 0) return <T>{say(speaker, 'now.kitLoaded')}</T>;
  const names = missing
    .slice(0, NAMED)
    .map((item) => sayKit(speaker, item))
    .join(', ');
  return (
    <T tone="caution">
      {say(speaker, 'kit.asked', { names: missing.length > NAMED ? say(speaker, 'kit.andMore', { names, count: missing.length - NAMED }) : names })}
    </T>
  );
}
