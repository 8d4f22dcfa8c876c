import type { Batch, PlanInput } from '@tufa/core/plan';
import { planScene } from '@tufa/draw';
import { say } from '@tufa/words';
import { planFinding } from '@tufa/words/survey';
import { useMemo } from 'react';
import { Pressable, Text, View } from 'react-native';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { SceneView } from '../parts/ui/SceneView';
import { T } from '../parts/ui/T';
import { amountOf, lifeText, productName, servesText, waitText } from './batchText';

/** Where a batch goes: its findings alone on their element, small. */
function ServedDrawing({ data, batch }: { data: JobView['data']; batch: Batch }) {
  const speaker = useSpeaker();
  const scene = useMemo(() => {
    const found = batch.serves.flatMap(({ findingId }) => data.finding[findingId] ?? []);
    const element = found[0] && data.element[found[0].elementId];
    if (!element) return null;
    const findings = found.filter(({ elementId }) => elementId === element.id).map((finding) => planFinding(speaker, finding));
    return planScene({ outline: element.geometry.outline, findings, width: 64, height: 48, unit_m: 1, unit: '', small: true });
  }, [data, batch, speaker]);
  return scene ? <SceneView scene={scene} bare /> : <View className="w-[64px]" />;
}

/** One batch as a line of the list: its number as it is chalked, where it goes, how much, how long it lasts. */
export function BatchRow({
  view,
  input,
  batch,
  before,
  state,
  onPress,
}: {
  view: Pick<JobView, 'data'>;
  input: PlanInput;
  batch: Batch;
  /** the one above it in the list */
  before: Batch | undefined;
  /** what became of it: running, poured */
  state?: string | undefined;
  onPress: () => void;
}) {
  const speaker = useSpeaker();
  const name = productName(speaker, input, batch);
  const serves = servesText(speaker, view.data, batch);
  const [amount, life] = [amountOf(speaker, input, batch), state ?? lifeText(speaker, batch)];
  const same = before !== undefined && before.productId === batch.productId && before.make === batch.make;
  const shots = batch.shots && batch.shots.count > 1 ? `, ${say(speaker, 'mix.shots', { count: batch.shots.count })}` : '';
  const waits = batch.waits.filter((wait) => wait.least_s > 0 || wait.reason === 'slurryWet');
  // Of several that wait alike the first says it for all.
  const told = waits.filter((wait) => !before?.waits.some((other) => other.on === wait.on && other.reason === wait.reason));
  return (
    <View>
      {told.map((wait) => (
        <View key={`${wait.on}${wait.reason}`} className="flex-row gap-3 border-b border-line py-3 pl-[44px]">
          <View className="my-1 w-[3px] bg-edge" />
          <T as="faint" className="flex-1">{`${say(speaker, 'mix.batchOf', { number: wait.on })}: ${waitText(speaker, wait)}`}</T>
        </View>
      ))}
      <Pressable
        role="button"
        aria-label={`${say(speaker, 'mix.batchOf', { number: batch.number })}: ${name}, ${amount}, ${serves}${shots}, ${life}`}
        onPress={onPress}
        className="min-h-[88px] flex-row items-center gap-2 border-b border-line py-2"
      >
        <Text className={`font-head font-extrabold text-ink ${batch.number.length > 2 ? 'w-[48px] text-22' : 'w-[36px] text-28'}`}>{batch.number}</Text>
        <ServedDrawing data={view.data} batch={batch} />
        <View className="flex-1">
          <T as={same ? 'body' : 'strong'}>{same ? say(speaker, 'mix.same') : name}</T>
          <T as="small">{`${serves}${shots}`}</T>
        </View>
        <View className="max-w-[34%] items-end">
          <Text className="font-head text-20 font-bold leading-24 text-right text-ink">{amount}</Text>
          <T as="small" className="text-right" {...(batch.fits ? {} : { tone: 'stop' as const })}>
            {life}
          </T>
        </View>
      </Pressable>
    </View>
  );
}
