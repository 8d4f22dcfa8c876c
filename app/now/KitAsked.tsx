import { assemblePlanInput } from '@tufa/contract/assemble';
import type { FirmData, RowOf } from '@tufa/contract/entities';
import { kitOf, type KitItem } from '@tufa/core/plan';
import { say, sayKit } from '@tufa/words';
import { useRouter } from 'expo-router';
import { useEffect, useMemo, useState } from 'react';
import { View } from 'react-native';
import { jobsOf } from '../jobs/JobList';
import { Button } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { loadedOf } from '../fix/loadedOf';
import { poursTomorrow } from '../fix/poursTomorrow';
import { planWorker } from '../workers/planWorker';
import { useSpeaker } from '../parts/phone/speaker';
import { links } from '../links';

/** The day before: what of tomorrow's kit is not loaded yet, by name; worked out beside the screen. */
export function KitAsked({ data }: { data: FirmData }) {
  return (
    <>
      {jobsOf(data)
        .filter(poursTomorrow)
        .map((job) => (
          <Asked key={job.id} data={data} job={job} />
        ))}
    </>
  );
}

/** As many are named; the list itself has the rest. */
const NAMED = 3;

function Asked({ data, job }: { data: FirmData; job: RowOf<'job'> }) {
  const speaker = useSpeaker();
  const router = useRouter();
  const input = useMemo(() => assemblePlanInput(data, job.id), [data, job.id]);
  const loaded = loadedOf(data, job.id);
  const [kit, setKit] = useState<readonly KitItem[]>([]);
  useEffect(() => {
    let gone = false;
    if (!input) return;
    planWorker()
      .plan(input)
      .then((plan) => {
        if (!gone) setKit(kitOf(input, plan));
      })
      // What cannot be planned yet has no kit; the job itself says why.
      .catch(() => setKit([]));
    return () => {
      gone = true;
    };
  }, [input]);
  const missing = kit.filter(({ key }) => !loaded.has(key));
  if (missing.length === 0) return null;
  const names = missing.slice(0, NAMED).map((item) => sayKit(speaker, item));
  return (
    <View className="gap-2 border-l-4 border-caution bg-sheet p-3" testID="kit-asked">
      <T as="strong">{say(speaker, 'kit.asked', { name: job.name })}</T>
      <T>{missing.length > NAMED ? say(speaker, 'kit.andMore', { names: names.join(', '), count: missing.length - NAMED }) : names.join(', ')}</T>
      <Button label={say(speaker, 'kit.load')} onPress={() => router.push(links.kit(job.id))} />
    </View>
  );
}
