import { houseOf } from '@tufa/core/choose';
import { MIX, type Vessel } from '@tufa/core/mix';
import { sheetOf, type Batch, type Plan, type PlanInput } from '@tufa/core/plan';
import { startedOf } from '@tufa/core/pour';
import { say, printMeasure } from '@tufa/words';
import { useRouter } from 'expo-router';
import { useCallback, useEffect, useEffectEvent, useState } from 'react';
import { View } from 'react-native';
import { usePerson } from '../outbox/session';
import { SunSwitch } from '../parts/chrome/SunSwitch';
import { Cautions } from '../parts/job/Cautions';
import { StepLayout } from '../parts/job/StepScreen';
import type { JobView } from '../parts/job/useJob';
import { useSpeaker } from '../parts/phone/speaker';
import { usePhone } from '../parts/phone/useSettings';
import { Button, Word } from '../parts/ui/Button';
import { Answer, T } from '../parts/ui/T';
import { links } from '../links';
import { chalk } from '../pour/log';
import { haveText, limitText, productName, servesText, waitText } from './batchText';
import { BatchMix } from './BatchMix';
import { MixTimer } from './MixTimer';
import { sayLine } from './sayLine';
import { TicketRow } from './TicketRow';
import { UsedView } from './UsedView';
import { Spoons } from './Spoons';
import { useAloud } from './useAloud';
import { VesselChoice } from './VesselChoice';
import { contentsOf, vesselOf } from './vesselOf';
import { VesselDrawing } from './VesselDrawing';

/** One batch as a ticket that fills the screen: in the order in which it goes into the vessel, a line ticked at a time, the next ticket under the thumb. */
export function TicketScreen({
  view,
  input,
  plan,
  planId,
  list,
  batch,
}: {
  view: JobView;
  input: PlanInput;
  plan: Plan;
  planId: string | null;
  list: readonly Batch[];
  batch: Batch;
}) {
  const speaker = useSpeaker();
  const router = useRouter();
  const { hand } = usePhone();
  const person = usePerson();
  const [ticked, setTicked] = useState<readonly number[]>([]);
  const { number, key, make, lines, shots, area_m2, open } = batch;
  const sheet = sheetOf(input, batch.productId);
  const chalked = view.events.some((event) => event.payload.key === key);
  // A number that somebody reads off a ticket stays this batch's.
  const personId = person?.id;
  const written = useEffectEvent((by: string) => void chalk({ view, input, inUse: planId, person: by, batch, written: number }));
  useEffect(() => {
    if (!chalked && personId) written(personId);
  }, [key, chalked, personId]);
  const contents = contentsOf(batch, sheet);
  const tick = useCallback((at: number): void => setTicked((before) => (before.includes(at) ? before.filter((other) => other !== at) : [...before, at])), []);
  const [taken, setTaken] = useState<Vessel | null>(null);
  const vessel = taken ?? vesselOf(batch, sheet, input);
  const said = lines.map((line) => sayLine(speaker, line, { batch, sheet, byVolume: houseOf(input.house).measuring === 'volume', mark_m3: vessel?.mark_m3 }));
  const citric = lines.find((line) => line.code === 'citric');
  const mixing = lines.find((line) => line.code === 'mix');
  const have = haveText(speaker, batch);
  const limit = limitText(speaker, batch);
  const hands = batch.task && sheet?.water ? `${say(speaker, 'mix.hand')}: ${say(speaker, `mix.test.${batch.task}`)}` : null;
  const aloud = useAloud([
    `${say(speaker, 'mix.batchOf', { number })}. ${productName(speaker, input, batch)}.`,
    ...said.map(({ label, main, sub }) => `${label}: ${main}, ${sub}.`),
    ...(hands ? [hands] : []),
  ]);
  const next = list[list.indexOf(batch) + 1];
  const started = startedOf(view.events);
  const all = ticked.length >= lines.length;
  const to = (other: string): void => router.replace(links.ticket(view.job.id, other));
  const toPour = (): void => router.replace(links.step(view.job.id, 'pour'));
  return (
    <StepLayout
      step="mix"
      view={view}
      parts={{
        head: (
          <View className="gap-1">
            <View className="flex-row items-start justify-between">
              <Answer
                size="number"
                after={`${say(speaker, 'mix.ofCount', { count: String(list.length) })}${shots && shots.count > 1 ? `, ${say(speaker, 'mix.shots', { count: shots.count })}` : ''}`}
              >
                {say(speaker, 'mix.batchOf', { number })}
              </Answer>
              <SunSwitch />
            </View>
            <T as="strong">{`${productName(speaker, input, batch)}: ${servesText(speaker, view.data, batch)}`}</T>
            {have ? <T>{have}</T> : null}
          </View>
        ),
        body: (
          <View className="gap-3">
            {batch.waits.map((wait) => (
              <T key={`${wait.on}${wait.reason}`} tone="caution" as="strong">
                {`${say(speaker, 'mix.batchOf', { number: wait.on })}: ${waitText(speaker, wait)}`}
              </T>
            ))}
            {batch.fits ? null : (
              <T as="strong" tone="stop">
                {`${say(speaker, 'mix.doesNotFit')}. ${say(speaker, 'mix.doesNotFitWhy', { limit: batch.limit ?? '' })}`}
              </T>
            )}
            <View className={hand === 'right' ? 'flex-row gap-3' : 'flex-row-reverse gap-3'}>
              <View className="flex-1">
                {said.map((line, i) => (
                  <TicketRow key={`${i}${line.label}`} {...line} on={ticked.includes(i)} at={i} onTick={tick} />
                ))}
              </View>
              {vessel ? <VesselDrawing batch={batch} sheet={sheet} vessel={vessel} /> : null}
            </View>
            {citric?.code === 'citric' ? <Spoons volume_m3={citric.volume_m3} /> : null}
            {mixing ? <MixTimer time_s={mixing.time_s} /> : null}
            {batch.ticket && sheet?.water ? (
              <T as="strong">
                {batch.ticket.moreWater_m3 > 1e-6
                  ? say(speaker, 'mix.more', { more: printMeasure(speaker, 'volume', batch.ticket.moreWater_m3) })
                  : say(speaker, 'mix.noMore')}
              </T>
            ) : null}
            {sheet?.water && batch.amount < MIX.batchLeast_kg ? <T as="strong">{say(speaker, 'mix.cupful', { m_kg: MIX.batchLeast_kg })}</T> : null}
            {hands ? <T>{hands}</T> : null}
            {make === 'parts' ? (
              <T tone="caution" as="strong" className="bg-caution-fill p-3">
                {say(speaker, 'mix.resinCare')}
              </T>
            ) : null}
            {make === 'slurry' ? <T tone="caution">{say(speaker, 'mix.slurryCare')}</T> : null}
            {open?.most_s ? <T as="strong">{say(speaker, 'mix.keepOpen', { least_s: open.least_s, most_s: open.most_s })}</T> : null}
            {batch.window && sheet?.water ? (
              <T as="faint">
                {say(speaker, 'mix.makes', {
                  volume_m3: batch.window.batch.volume_m3,
                  area_m2: area_m2 ?? 0,
                  thickness_m: batch.window.question.thickness_m,
                })}
              </T>
            ) : null}
            {limit && batch.fits ? <T as="faint">{limit}</T> : null}
            {contents && vessel ? <VesselChoice firm={input.firm} contents={contents} vessel={vessel} onChange={setTaken} /> : null}
            {sheet?.water ? <BatchMix key={batch.key} view={view} input={input} list={list} batch={batch} sheet={sheet} /> : null}
            {sheet && make !== 'ready' ? (
              <UsedView key={`${batch.key} used`} view={view} input={input} planId={planId} list={list} batch={batch} sheet={sheet} />
            ) : null}
            {aloud ? <Word label={say(speaker, aloud.reading ? 'mix.quiet' : 'mix.aloud')} onPress={aloud.toggle} /> : null}
            <Cautions screen="mix" input={input} plan={plan} view={view} />
          </View>
        ),
        foot: (
          <View className="gap-3">
            <View className={`gap-4 ${hand === 'right' ? 'flex-row' : 'flex-row-reverse'}`}>
              <Button label={say(speaker, 'mix.toList')} big onPress={() => router.replace(links.step(view.job.id, 'mix'))} />
              {all && batch.window && !started.includes(number) ? (
                <Button label={say(speaker, 'mix.goStart')} tone="act" big grow onPress={toPour} />
              ) : next ? (
                <Button label={say(speaker, 'mix.next', { number: next.number })} tone="act" big grow onPress={() => to(next.number)} />
              ) : (
                <Button label={say(speaker, 'mix.goPour')} tone="act" big grow onPress={toPour} />
              )}
            </View>
          </View>
        ),
      }}
    />
  );
}
