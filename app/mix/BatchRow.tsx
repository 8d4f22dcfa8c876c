import type { Batch } from '@tufa/core/plan';
import { planScene } from '@tufa/draw';
import { say } from '@tufa/words';
import { planFinding, planShape } from '@tufa/words/survey';
import { memo, useMemo } from 'react';
import { Pressable, Text, View } from 'react-native';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { SceneView } from '../parts/ui/SceneView';
import { T } from '../parts/ui/T';
import { amountOf, lifeText, productName, servesText, waitText, type Shelf } from './batchText';

export type Places = Pick<JobView['data'], 'finding' | 'element'>;

/** Where a batch goes: its findings alone on their element, small. */
const ServedDrawing = memo(function ServedDrawing({ finding, element, served }: Places & { served: string }) {
  const speaker = useSpeaker();
  const scene = useMemo(() => {
    const found = served.split(' ').flatMap((id) => finding[id] ?? []);
    const under = found[0] && element[found[0].elementId];
    if (!under) return null;
    const findings = found.filter(({ elementId }) => elementId === under.id).map((each) => planFinding(speaker, each));
    return planScene({ ...planShape(under), findings, width: 64, height: 48, unit_m: 1, unit: '', small: true });
  }, [finding, element, served, speaker]);
  return scene ? <SceneView scene={scene} bare /> : <View className="w-[64px]" />;
});

/** One batch as a line of the list: its number as it is chalked, where it goes, how much, how long it lasts. */
export const BatchRow = memo(function BatchRow({
  finding,
  element,
  shelf,
  batch,
  before,
  state,
  onPick,
}: Places & {
  shelf: Shelf;
  batch: Batch;
  /** the one above it in the list */
  before: Batch | undefined;
  /** what became of it: running, poured */
  state?: string | undefined;
  onPick: (number: string) => void;
}) {
  const speaker = useSpeaker();
  const shots = batch.shots && batch.shots.count > 1 ? `, ${say(speaker, 'mix.shots', { count: batch.shots.count })}` : '';
  const waits = batch.waits.filter((wait) => wait.least_s > 0 || wait.reason === 'slurryWet');
  // Of several that wait alike the first says it for all.
  const told = waits.filter((wait) => !before?.waits.some((other) => other.on === wait.on && other.reason === wait.reason));
  return (
    <>
      {told.map((wait) => (
        <View key={`${wait.on}${wait.reason}`} className="flex-row gap-3 border-b border-line py-3 pl-[44px]">
          <View className="my-1 w-[3px] bg-edge" />
          <T as="faint" className="flex-1">{`${say(speaker, 'mix.batchOf', { number: wait.on })}: ${waitText(speaker, wait)}`}</T>
        </View>
      ))}
      <BatchLine
        number={batch.number}
        name={productName(speaker, shelf, batch)}
        amount={amountOf(speaker, shelf, batch)}
        serves={`${servesText(speaker, { finding }, batch)}${shots}`}
        life={state ?? lifeText(speaker, batch)}
        fits={batch.fits}
        same={before !== undefined && before.productId === batch.productId && before.make === batch.make}
        served={batch.serves.map(({ findingId }) => findingId).join(' ')}
        finding={finding}
        element={element}
        onPick={onPick}
      />
    </>
  );
});

/** Its words as they are shown: a line that says the same is not drawn again. */
const BatchLine = memo(function BatchLine({
  number,
  name,
  amount,
  serves,
  life,
  fits,
  same,
  served,
  finding,
  element,
  onPick,
}: Places & {
  number: string;
  name: string;
  amount: string;
  serves: string;
  life: string;
  fits: boolean;
  /** made of the same as the one above */
  same: boolean;
  /** ids of the findings, in order */
  served: string;
  onPick: (number: string) => void;
}) {
  const speaker = useSpeaker();
  return (
    <Pressable
      role="button"
      aria-label={`${say(speaker, 'mix.batchOf', { number })}: ${name}, ${amount}, ${serves}, ${life}`}
      onPress={() => onPick(number)}
      className="min-h-[88px] flex-row items-center gap-2 border-b border-line py-2"
    >
      <Text className={`font-head font-extrabold text-ink ${number.length > 2 ? 'w-[48px] text-22' : 'w-[36px] text-28'}`}>{number}</Text>
      <ServedDrawing finding={finding} element={element} served={served} />
      <View className="flex-1">
        <T as={same ? 'body' : 'strong'}>{same ? say(speaker, 'mix.same') : name}</T>
        <T as="small">{serves}</T>
      </View>
      <View className="max-w-[34%] items-end">
        <Text className="font-head text-20 font-bold leading-24 text-right text-ink">{amount}</Text>
        <T as="small" className="text-right" {...(fits ? {} : { tone: 'stop' as const })}>
          {life}
        </T>
      </View>
    </Pressable>
  );
});
