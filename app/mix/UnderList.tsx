import type { Plan } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { useRouter } from 'expo-router';
import { View } from 'react-native';
import { links } from '../links';
import { listOf } from '../parts/job/batchList';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { following } from '../parts/ui/following';
import type { inUse } from '../pour/storedPlan';
import { JobOrder } from './JobOrder';
import { KeptSums } from './KeptSums';
import { ListOut } from './ListOut';
import { LoadWeight } from './LoadWeight';
import { PlanFile } from './PlanFile';

type Used = ReturnType<typeof inUse>;

/** What is bought, carried and taken out: it follows the list, so that the list is painted first; from a plan that is behind nothing is drawn. */
export const UnderList = following(
  function UnderList({ view, plan }: { view: Used; plan: Plan }) {
    const speaker = useSpeaker();
    const router = useRouter();
    const { input, planId } = view;
    return (
      <View className="gap-4">
        <KeptSums view={view} />
        <JobOrder input={input} plan={plan} />
        <LoadWeight input={input} plan={plan} />
        <Button label={say(speaker, 'load.open')} onPress={() => router.push(links.load())} />
        <ListOut view={view} input={input} plan={plan} planId={planId} list={listOf({ plan, events: view.events })} />
        <PlanFile view={view} />
      </View>
    );
  },
  ({ view }) => view.behind,
);
