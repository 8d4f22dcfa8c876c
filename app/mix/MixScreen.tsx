import { kindOf, sheetOf, type Batch, type Plan, type PlanInput } from '@tufa/core/plan';
import { say, sayCoded } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { useLocalSearchParams, useRouter } from 'expo-router';
import { View } from 'react-native';
import { links, type Step } from '../links';
import { SunSwitch } from '../parts/chrome/SunSwitch';
import { listOf } from '../parts/job/batchList';
import { Cautions } from '../parts/job/Cautions';
import { refusedOf } from '../parts/job/refusedOf';
import { nothingYet, StepLayout, StepScreen } from '../parts/job/StepScreen';
import { stopOf } from '../parts/job/stopOf';
import type { JobView } from '../parts/job/useJob';
import { Warnings } from '../parts/job/Warnings';
import { ReadUnless } from '../parts/phone/rights';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { Answer, T } from '../parts/ui/T';
import { StalePlan } from '../pour/StalePlan';
import { inUse } from '../pour/storedPlan';
import { BatchRows } from './BatchRows';
import { becameText } from './becameText';
import { CrewView } from './CrewView';
import { ChangeCost } from './ChangeCost';
import { PlaceView } from './PlaceView';
import { UnderList } from './UnderList';
import { TicketScreen } from './TicketScreen';
import { WaysView } from './WaysView';

export const MixScreen = () => <StepScreen step="mix">{(view) => <Mix key={view.job.id} view={view} />}</StepScreen>;

/** A longer answer is set smaller, so that it stays on a line. */
const SHORT_TITLE = 12;

/** What is bought for all of it, in the packs it comes in: bags of powder, kits of parts, cartridges. */
function packsTitle(speaker: Speaker, input: PlanInput, { orders, batches }: Plan): string {
  const counts = new Map<Batch['make'], number>();
  for (const { sheetId, chosen } of orders) {
    const make = batches.find(({ productId }) => productId === sheetId)?.make ?? 'pail';
    // What goes in by hand comes in bags too.
    const packed = make === 'hand' ? 'pail' : make;
    counts.set(packed, (counts.get(packed) ?? 0) + chosen.packages.reduce((sum, { count }) => sum + count, 0));
  }
  const texts = [...counts].filter(([, count]) => count > 0).map(([make, count]) => sayCoded(speaker, `mix.packed.${make}`, { count }));
  return texts.join(', ') || say(speaker, 'mix.bags0');
}

/** How many batches and shots, by how many hands. */
function countsText(speaker: Speaker, list: readonly Batch[], hands: number): string {
  const shots = list.filter((batch) => (batch.shots?.count ?? 0) > 1);
  const batches = say(speaker, 'mix.batches', { count: list.length - shots.length });
  const several = say(speaker, 'mix.shots', { count: shots.reduce((sum, batch) => sum + (batch.shots?.count ?? 0), 0) });
  const all = shots.length === 0 ? batches : shots.length === list.length ? several : say(speaker, 'mix.and', { a: batches, b: several });
  return `${all} ${say(speaker, 'mix.crew', { count: hands })}`;
}

/** What is bought and in how many batches; the batches in their order; one as a ticket that fills the screen: of the plan that is poured by. */
function Mix({ view: present }: { view: JobView }) {
  const speaker = useSpeaker();
  const view = inUse(present);
  const router = useRouter();
  const { batch: asked } = useLocalSearchParams<{ batch?: string }>();
  const go = (step: Step) => (): void => router.replace(links.step(view.job.id, step));
  const stop = stopOf(speaker, 'mix', view, go('walk'));
  if (stop) return stop;
  const { plan, input, finding } = view;
  const list = plan ? listOf({ plan, events: view.events }) : [];
  if (!plan || list.length === 0) {
    const refused = finding?.chosen ? refusedOf({ speaker, step: 'mix', view, input, chosen: finding.chosen, toFix: go('fix') }) : null;
    if (refused) return refused;
    return (
      <StepLayout
        step="mix"
        view={view}
        parts={nothingYet({ title: say(speaker, 'fix.none'), lead: say(speaker, 'day.choose'), label: say(speaker, 'step.fix'), onPress: go('fix') })}
      />
    );
  }
  const ticket = list.find(({ number }) => number === asked);
  if (ticket) return <TicketScreen key={ticket.key} view={view} input={input} plan={plan} planId={view.planId} list={list} batch={ticket} />;
  const next = list.find((batch) => becameText(speaker, batch, view.batches) === undefined) ?? list[0]!;
  const title = packsTitle(speaker, input, plan);
  const percent = String(Math.round(input.firm.orderQuantile * 100));
  return (
    <StepLayout
      step="mix"
      view={view}
      parts={{
        head: (
          <View className="gap-1">
            <View className="flex-row items-center justify-between">
              <Answer after={say(speaker, 'mix.buy')} size={title.length > SHORT_TITLE ? 'number' : 'answer'}>
                {title}
              </Answer>
              <SunSwitch />
            </View>
            <T as="lead">{`${countsText(speaker, list, input.crew.hands)}. ${say(speaker, 'mix.sure', { percent })}`}</T>
          </View>
        ),
        body: (
          <View className="gap-4">
            <StalePlan view={present} />
            <Warnings plan={plan} />
            <Refused view={view} input={input} plan={plan} />
            <BatchRows
              jobId={view.job.id}
              list={list}
              states={view.batches}
              finding={view.data.finding}
              element={view.data.element}
              sheets={input.sheets}
              aids={input.aids}
            />
            <Cautions screen="mix" input={input} plan={plan} view={view} />
            <ReadUnless may="reading.add">
              <CrewView jobId={view.job.id} crew={input.crew} firm={input.firm} works={worksOf(input, plan)} />
              <WaysView jobId={view.job.id} firms={view.data.firm} input={input} mixed={mixedIds(plan)} />
              <PlaceView jobId={view.job.id} conditions={input.conditions} />
            </ReadUnless>
            <ChangeCost plan={plan} />
            <UnderList view={view} plan={plan} />
          </View>
        ),
        foot: (
          <Button
            label={say(speaker, 'mix.next', { number: next.number })}
            tone="act"
            big
            onPress={() => router.push(links.ticket(view.job.id, next.number))}
          />
        ),
      }}
    />
  );
}

/** Works of the list, by their codes: parts that are given words are drawn again only when those change. */
function worksOf(input: PlanInput, plan: Plan): string {
  const works = plan.findings.flatMap(({ findingId, chosen }) => {
    const found = chosen && input.findings.find(({ id }) => id === findingId);
    const element = input.elements.find(({ id }) => id === found?.elementId);
    return found && element ? [kindOf(found).work(found, element)] : [];
  });
  return [...new Set(works)].join(' ');
}

/** What of the list is mixed by the bag, by its ids. */
const mixedIds = ({ batches }: Plan): string =>
  [...new Set(batches.flatMap(({ productId, make }) => (make === 'pail' || make === 'hand' ? [productId] : [])))].join(' ');

/** What is chosen and refused beside what is mixed: nothing of it is ordered. */
function Refused({ view, input, plan }: { view: JobView; input: PlanInput; plan: Plan }) {
  const speaker = useSpeaker();
  const refused = plan.findings.flatMap(({ findingId, chosen }) => (chosen && chosen.refused.length > 0 ? [{ findingId, chosen }] : []));
  return refused.map(({ findingId, chosen }) => (
    <T key={findingId} tone="stop" as="strong">
      {`${view.data.finding[findingId]?.label ?? ''}: ${say(speaker, 'refused.lead', { name: sheetOf(input, chosen.sheetId)?.name ?? '' })}`}
    </T>
  ));
}
