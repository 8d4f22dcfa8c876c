import type { BatchState, EventKind } from '@tufa/core/pour';
import { say, sayShare } from '@tufa/words';
import { format } from 'date-fns/format';
import { useRouter, type Href } from 'expo-router';
import Head from 'expo-router/head';
import { useEffect, useMemo, useRef, useState, type ReactNode } from 'react';
import { Pressable, Text, View } from 'react-native';
import { usePerson } from '../outbox/useFirm';
import { Button } from '../parts/Button';
import { Field } from '../parts/Field';
import { useAnswerFocus } from '../parts/focusAnswer';
import { Returned, SyncLine } from '../parts/SyncLine';
import { SunSwitch } from '../parts/SunSwitch';
import { T } from '../parts/T';
import { useSize, useWide } from '../parts/useSize';
import type { JobView } from '../parts/useJob';
import { ring } from './alarm';
import { clockOf } from './clocks';
import { log } from './log';
import { digitsOf } from './digitsOf';
import { LINE_ROOM, Pail } from './Pail';
import type { Did } from './UndoBand';
import { useNow } from './useNow';

/** Seconds before the line at which the phone warns. */
const WARN_S = 120;

/** The pail of the batch that ends first, its three big events, and what is one tap away. */
export function RunningBatch({
  view,
  running,
  band,
  onDid,
  onNext,
}: {
  view: JobView;
  running: readonly BatchState[];
  band: ReactNode;
  onDid: (did: Did) => void;
  onNext: () => void;
}) {
  const router = useRouter();
  const heading = useAnswerFocus();
  const person = usePerson();
  const wide = useWide();
  const { size, onLayout } = useSize();
  const at = useNow(true) + view.clockOffset;
  const [picked, setPicked] = useState<string | null>(null);
  const [noting, setNoting] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const [controls, setControls] = useState(230);
  const clocks = useMemo(() => running.flatMap((batch) => (clockOf(view.data, batch) ? [{ batch, ...clockOf(view.data, batch)! }] : [])), [running, view.data]);
  const readings = clocks.map((one) => ({
    ...one,
    elapsed_s: Math.max(0, (at - one.batch.startedAt) / 1000),
    reading: one.clock.at(Math.max(0, (at - one.batch.startedAt) / 1000)),
  }));
  const first = readings.find(({ batch }) => batch.batch === picked) ?? [...readings].sort((a, b) => a.reading.left_s - b.reading.left_s)[0];
  useAlarm(readings.map(({ batch, reading }) => ({ key: `${batch.findingId} ${batch.batch} ${batch.placedAt === null}`, left_s: reading.left_s })));
  if (!first || !person) return null;
  const { batch, clock, reading, chosen } = first;
  const placed = batch.placedAt !== null;
  const tap = (kind: Exclude<EventKind, 'start' | 'undo'>, text?: string) => async (): Promise<void> => {
    if (busy) return;
    setBusy(true);
    try {
      const eventId = await log({
        view,
        person: person.id,
        kind,
        batch: batch.batch,
        findingId: batch.findingId,
        planId: batch.planId,
        ...(text === undefined ? {} : { text }),
      });
      onDid({ what: kind, eventId, batch, until: Date.now() + 8000 });
      setNoting(null);
    } finally {
      setBusy(false);
    }
  };
  const by_s = placed ? clock.finishBy_s : clock.placeBy_s;
  const line = format(batch.startedAt - view.clockOffset + by_s * 1000, 'HH:mm');
  const then = Math.max(0, Math.round((clock.finishBy_s - clock.placeBy_s) / 60));
  const warn = reading.left_s < WARN_S;
  const planned = chosen.batches.count;
  return (
    <View className="h-full w-full flex-1 bg-ground" role="main">
      <Head>
        <title>{`${say('step.pour')}, ${view.job.name}, ${say('tufa')}`}</title>
      </Head>
      <Returned />
      <View className="flex-1" onLayout={onLayout}>
        {size ? (
          <Pail clock={clock} reading={reading} width={size.width} height={size.height} placed={placed} controls={controls}>
            <View
              className={`self-start px-2 py-1 ${reading.left_s < 0 ? 'bg-stop-fill' : warn ? 'bg-caution-fill' : 'bg-ground'}`}
              role={warn ? 'alert' : 'status'}
            >
              {warn ? (
                <T as="strong" tone={reading.left_s < 0 ? 'stop' : 'caution'}>
                  {reading.left_s < 0 ? say('pour.alarmOver') : say('pour.alarmNear', { minutes: String(Math.max(1, Math.ceil(reading.left_s / 60))) })}
                </T>
              ) : null}
              <T as="h2">{reading.left_s >= 0 ? say('pour.until', { time: line }) : say('pour.since', { time: line })}</T>
              <T>{placed ? say('pour.test', { phase: say(`pour.hand.${reading.phase}`) }) : say('pour.thenTool', { minutes: String(then) })}</T>
            </View>
          </Pail>
        ) : null}
        <View className="px-4 pt-2">
          <View className="flex-row items-center justify-between">
            <Text ref={heading} role="heading" aria-level={1} tabIndex={-1} className="font-text bg-ground px-1 text-[18px] text-ink">
              {`${Number(batch.batch) <= planned ? say('pour.batchOf', { batch: batch.batch, count: String(planned) }) : say('pour.extra', { batch: batch.batch })}, ${sayShare(chosen.ticket.share)}`}
            </Text>
            <View className="bg-ground px-1">
              <SyncLine />
            </View>
          </View>
          <View className="flex-row items-start justify-between">
            <Text className="font-head max-w-[75%] bg-ground px-1 text-[24px] font-bold leading-[28px] text-ink">{say(`pour.phase.${reading.phase}`)}</Text>
            <View className="bg-ground px-2">
              <SunSwitch />
            </View>
          </View>
          <View className="flex-row flex-wrap gap-2">
            {readings.length > 1
              ? readings.map((one) => (
                  <Pressable
                    key={one.batch.batch}
                    role="button"
                    aria-label={say('pour.switch', { batch: one.batch.batch })}
                    aria-current={one === first ? 'true' : undefined}
                    onPress={() => setPicked(one.batch.batch)}
                    className={`min-h-[56px] flex-row items-center gap-2 border-2 border-ink px-4 ${one === first ? 'bg-selected' : 'bg-sheet'}`}
                  >
                    <Text
                      className={`font-text text-[18px] font-bold ${one === first ? 'text-on-selected' : 'text-ink'}`}
                    >{`${one.batch.batch}: ${digitsOf(one.reading.left_s).digits} ${digitsOf(one.reading.left_s).unit === 's' ? say('unit.s') : say('unit.min')}`}</Text>
                  </Pressable>
                ))
              : null}
          </View>
        </View>
        <View className={`absolute bottom-0 left-0 right-0 gap-4 p-4 ${wide ? 'mx-auto max-w-[640px]' : ''}`}>
          {band}
          <View className="gap-4" style={{ marginTop: LINE_ROOM + 4 }} onLayout={({ nativeEvent: { layout } }) => setControls(Math.round(layout.height) + 16)}>
            {noting === null ? (
              <>
                {placed ? null : <Button label={say('pour.placed')} tone="act" big disabled={busy} onPress={() => void tap('placed')()} testID="placed" />}
                <View className="flex-row gap-4">
                  <Button
                    label={say('pour.finished')}
                    tone={placed ? 'act' : 'plain'}
                    big
                    grow
                    disabled={busy}
                    onPress={() => void tap('finished')()}
                    testID="finished"
                  />
                  <Button label={say('pour.wentHard')} tone="stop" big grow disabled={busy} onPress={() => void tap('wentHard')()} testID="went-hard" />
                </View>
              </>
            ) : (
              <View className="gap-3 bg-ground p-3">
                <Field label={say('pour.notePlaceholder')} value={noting} onChange={setNoting} autoFocus />
                <View className="flex-row gap-3">
                  <Button label={say('pour.cancel')} onPress={() => setNoting(null)} />
                  <Button
                    label={say('pour.keepNote')}
                    tone="act"
                    grow
                    disabled={noting.trim() === '' || busy}
                    onPress={() => void tap('note', noting.trim())()}
                  />
                </View>
              </View>
            )}
          </View>
        </View>
      </View>
      <View className="flex-row border-t-2 border-ink bg-sheet" role="navigation" aria-label={say('nav.steps')}>
        {(
          [
            [`‹ ${say('pour.job')}`, () => router.replace(`/jobs/${view.job.id}/walk` as Href)],
            [say('pour.other'), onNext],
            [say('pour.note'), () => setNoting('')],
          ] as const
        ).map(([label, onPress], i) => (
          <Pressable
            key={label}
            role="button"
            onPress={onPress}
            className={`min-h-[64px] flex-1 items-center justify-center ${i > 0 ? 'border-l-2 border-line' : ''}`}
          >
            <Text className="font-text text-[16px] font-bold text-ink">{label}</Text>
          </Pressable>
        ))}
      </View>
    </View>
  );
}

/** Rings once at two minutes and once at the line, for every batch that runs. */
function useAlarm(batches: readonly { key: string; left_s: number }[]): void {
  const rung = useRef(new Map<string, number>());
  useEffect(() => {
    for (const { key, left_s } of batches) {
      const stage = left_s < 0 ? 2 : left_s < WARN_S ? 1 : 0;
      const before = rung.current.get(key);
      rung.current.set(key, stage);
      // A clock first seen past its line has been missed, not reached: no sound for that.
      if (before !== undefined && stage > before) ring(stage === 2);
    }
  });
}
