import { sheetOf } from '@tufa/core/plan';
import { fullOf, isExtra, listedNumber, nextOf, startedOf, type BatchState, type EventPayload, type TapKind } from '@tufa/core/pour';
import { say } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { amountOf } from '../mix/batchText';
import { format } from 'date-fns/format';
import { useRouter } from 'expo-router';
import Head from 'expo-router/head';
import { useMemo, useRef, useState, type ReactNode } from 'react';
import { Pressable, Text, View } from 'react-native';
import { Word } from '../parts/ui/Button';
import { useAnswerFocus } from '../parts/ui/focusAnswer';
import type { JobView } from '../parts/job/useJob';
import { usePhone } from '../parts/phone/useSettings';
import { useOnSide, useSize, useWide } from '../parts/phone/useSize';
import { SunSwitch } from '../parts/chrome/SunSwitch';
import { Returned, SyncLine } from '../parts/chrome/SyncLine';
import { T } from '../parts/ui/T';
import { alarmKey, WARN_S } from './AlarmOf';
import { BigEvents } from './BigEvents';
import { clockOf } from './clocks';
import { LogSheet } from './LogSheet';
import { siteClocksOf } from './siteClocksOf';
import { OtherPails } from './OtherPails';
import { LINE_ROOM, Pail } from './Pail';
import type { Did } from './UndoBand';
import { useBattery } from './useBattery';
import { useMissed, type LineAt } from './useMissed';
import { UnreadBatch } from './UnreadBatch';
import { useNow } from './useNow';
import { useTap } from './useTap';
import { useOneFinger } from './useOneFinger';
import { useWakeLock } from './useWakeLock';
import { useKept } from '../parts/phone/useKept';
import { useSpeaker } from '../parts/phone/speaker';
import { keptIn } from './keptIn';
import { links } from '../links';

const NO_LINES: readonly LineAt[] = [];

/** The pail of the batch that ends first, the others beside it, the three big events, and what is one tap away. */
export function RunningBatch({
  view,
  running,
  band,
  onDid,
  onNext,
  onBroke,
  silenced,
  onSilence,
}: {
  view: JobView;
  running: readonly BatchState[];
  band: ReactNode;
  onDid: (did: Did) => void;
  onNext: () => void;
  onBroke: () => void;
  silenced: readonly string[];
  onSilence: (key: string) => void;
}) {
  const speaker = useSpeaker();
  const router = useRouter();
  const heading = useAnswerFocus();
  const wide = useWide();
  const { hand } = usePhone();
  const onSide = useOnSide();
  const { size, onLayout } = useSize();
  const screen = useRef<View>(null);
  useOneFinger(screen);
  const awake = useWakeLock();
  const battery = useBattery();
  const { practice } = view;
  const phone_ms = useNow(view, true);
  const at = phone_ms + view.clockOffset;
  const [picked, setPicked] = useKept<string | null>(keptIn(view, 'picked'), null);
  const [logging, setLogging] = useState(false);
  const [controls, setControls] = useState(230);
  const clocks = useMemo(
    () =>
      running.flatMap((batch) => {
        const running = clockOf(view.data, batch);
        return running ? [{ batch, ...running, placed: batch.placedAt !== null }] : [];
      }),
    [running, view.data],
  );
  const lines = useMemo<LineAt[]>(
    () =>
      clocks.map(({ batch, clock, placed }) => ({
        batch: batch.batch,
        placed,
        at: batch.startedAt - view.clockOffset + (placed ? clock.finishBy_s : clock.placeBy_s) * 1000,
      })),
    [clocks, view.clockOffset],
  );
  const { missed, read } = useMissed(practice ? NO_LINES : lines);
  const readings = clocks
    .map((clock) => ({ ...clock, reading: clock.clock.at(Math.max(0, (at - clock.batch.startedAt) / 1000)) }))
    .sort((a, b) => a.reading.left_s - b.reading.left_s);
  const first = readings.find(({ batch }) => batch.batch === picked) ?? readings[0];
  const { person, busy, tap: logTap, shoot } = useTap(view, first?.batch, onDid);
  if (!person) return null;
  const unread = running.filter((batch) => !clocks.some((known) => known.batch === batch));
  const looked = unread.find(({ batch }) => batch === picked) ?? (first ? undefined : unread[0]);
  if (!first || looked)
    return looked ? (
      <UnreadBatch key={looked.batch} view={view} batch={looked} band={band} onDid={onDid} onNext={onNext} onClocks={first ? () => setPicked(null) : null} />
    ) : null;
  const below = (
    <>
      {unread.map(({ batch: number }) => (
        <View key={number} className="flex-row items-center justify-between bg-caution-fill px-3">
          <T className="flex-1">{say(speaker, 'pour.unread', { batch: number })}</T>
          <Word label={say(speaker, 'pour.unreadLook')} onPress={() => setPicked(number)} />
        </View>
      ))}
      {band}
    </>
  );
  const { batch, clock, reading, planned, count, placed } = first;
  const others = readings.filter((reading) => reading !== first);
  const tap = async (kind: TapKind, payload?: EventPayload): Promise<void> => {
    if (!(await logTap(kind, payload))) return;
    if (kind === 'thrown') setLogging(false);
    if (kind === 'placed' || kind === 'finished' || kind === 'wentHard' || kind === 'thrown' || kind === 'full') setPicked(null);
  };
  const { make, shots } = planned;
  const number = listedNumber(batch.batch);
  const used = startedOf(view.events);
  const nextWritten = shots ? nextOf({ ...planned, number }, used, fullOf(view.events)) : null;
  const by_s = placed ? clock.finishBy_s : clock.placeBy_s;
  const line = format(batch.startedAt - view.clockOffset + by_s * 1000, 'HH:mm');
  const then = Math.max(0, Math.round((clock.finishBy_s - clock.placeBy_s) / 60));
  const warn = reading.left_s < WARN_S;
  const side = hand === 'right' ? 'flex-row' : 'flex-row-reverse';
  const mainWidth = size ? (others.length > 0 ? Math.round((size.width * 2) / 3) : size.width) : 0;
  const events = (
    <BigEvents
      make={make}
      placed={placed}
      busy={busy}
      shot={shots ? (nextWritten ? 'next' : 'last') : null}
      onTap={(kind) => void tap(kind)}
      onShot={() => nextWritten && void shoot(nextWritten)}
    />
  );
  const gel =
    make === 'hand' ? siteClocksOf(view).find(({ code, batch: of, passedAt }) => code === 'gel' && of === batch.batch && passedAt === null) : undefined;
  const nav = (
    <View className="flex-row border-t-2 border-ink bg-sheet" role="navigation" aria-label={say(speaker, 'nav.steps')}>
      {(
        [
          [`‹ ${say(speaker, practice ? 'rehearse.leave' : 'pour.job')}`, practice ? practice.leave : () => router.replace(links.step(view.job.id, 'walk'))],
          [say(speaker, 'pour.other'), onNext],
          [say(speaker, 'broke.nav'), onBroke],
          [say(speaker, 'pour.log'), () => setLogging(true)],
        ] as const
      ).map(([label, onPress], i) => (
        <Pressable
          key={label}
          role="button"
          onPress={onPress}
          className={`min-h-[64px] flex-1 items-center justify-center ${i > 0 ? 'border-l-2 border-line' : ''}`}
        >
          <Text className="font-text text-center text-16 font-bold text-ink">{label}</Text>
        </Pressable>
      ))}
    </View>
  );
  // Beside the scale, not over its figures.
  const told = (
    <View className={`max-w-[75%] ${hand === 'right' ? 'self-start' : 'self-end'}`}>
      {missed.length > 0 ? <Missed lines={missed} at={phone_ms} onRead={read} /> : null}
      {battery === null ? null : (
        <T as="strong" tone="caution" className="self-start bg-caution-fill px-2">
          {say(speaker, 'pour.battery', { percent: String(Math.round(battery * 100)) })}
        </T>
      )}
      {awake ? null : (
        <T as="strong" className="self-start bg-ground px-2">
          {say(speaker, 'pour.sleeps')}
        </T>
      )}
    </View>
  );
  const several = others.length > 0;
  const head = (
    <View className="px-4 pt-2">
      <View className="flex-row items-center justify-between">
        <Text ref={heading} role="heading" aria-level={1} tabIndex={-1} className="font-text min-w-[45%] shrink bg-ground px-1 text-18 text-ink">
          {`${shotText(speaker, batch.batch, shots?.count ?? 1) ?? say(speaker, isExtra(batch.batch) ? 'pour.extra' : 'pour.batchOf', { batch: batch.batch, count: String(count) })}, ${amountOf(speaker, first.input, planned)}`}
        </Text>
        <View className="shrink bg-ground px-1">{practice ? null : <SyncLine />}</View>
      </View>
      <View className="flex-row items-start justify-between">
        <Text className="font-head max-w-[75%] bg-ground px-1 text-24 font-bold leading-28 text-ink">
          {say(speaker, `pour.phase.${make}.${reading.phase}`)}
        </Text>
        <View className="bg-ground px-2">
          <SunSwitch />
        </View>
      </View>
      {told}
    </View>
  );
  return (
    <View ref={screen} className={`h-full w-full flex-1 bg-ground ${onSide ? side : ''}`} role="main" testID="running">
      <Head>
        <title>{`${say(speaker, 'step.pour')}, ${view.job.name}, ${say(speaker, 'tufa')}`}</title>
      </Head>
      <View className="flex-1">
        <Returned />
        {logging ? (
          <LogSheet
            view={view}
            input={first.input}
            list={first.list}
            state={batch}
            planned={{ ...planned, number }}
            sheet={sheetOf(first.input, planned.productId)}
            busy={busy}
            onTap={(kind, payload) => void tap(kind, payload)}
            onClose={() => setLogging(false)}
          />
        ) : null}
        {several ? head : null}
        <View className="flex-1" onLayout={onLayout}>
          {size ? (
            <View className={`absolute inset-0 ${hand === 'right' ? 'flex-row-reverse' : 'flex-row'}`}>
              <View style={{ width: mainWidth }}>
                <Pail
                  clock={clock}
                  reading={reading}
                  width={mainWidth}
                  height={size.height}
                  placed={placed}
                  controls={onSide ? 0 : controls}
                  head={!several}
                  make={make}
                  squeezed={shots !== null}
                  warned={warn}
                >
                  <View
                    className={`self-start px-2 py-1 ${reading.left_s < 0 ? 'bg-stop-fill' : warn ? 'bg-caution-fill' : 'bg-ground'}`}
                    role={warn ? 'alert' : 'status'}
                  >
                    {warn ? (
                      <T as="strong" tone={reading.left_s < 0 ? 'stop' : 'caution'}>
                        {reading.left_s < 0
                          ? say(speaker, 'pour.alarmOver')
                          : say(speaker, 'pour.alarmNear', { minutes: String(Math.max(1, Math.ceil(reading.left_s / 60))) })}
                      </T>
                    ) : null}
                    {warn && !silenced.includes(alarmKey(batch, placed)) ? (
                      <Word label={say(speaker, 'pour.silence')} onPress={() => onSilence(alarmKey(batch, placed))} />
                    ) : null}
                    {gel ? (
                      <>
                        <T as="strong">{say(speaker, 'after.gels', { time: format(gel.at - view.clockOffset, 'HH:mm') })}</T>
                        <View className="flex-row">
                          <Word label={say(speaker, 'after.disturbed')} onPress={() => void tap('tested', { test: 'gel', passed: false })} />
                          <Word label={say(speaker, 'after.yes.gel')} onPress={() => void tap('tested', { test: 'gel', passed: true })} />
                        </View>
                      </>
                    ) : null}
                    <T as="h2">{reading.left_s >= 0 ? say(speaker, 'pour.until', { time: line }) : say(speaker, 'pour.since', { time: line })}</T>
                    {/* Two minutes before the line what follows the placing is of no use yet, and its room is wanted. */}
                    {warn && !placed ? null : (
                      <T>
                        {placed
                          ? say(speaker, 'pour.test', { phase: say(speaker, `pour.hand.${make}.${reading.phase}`) })
                          : shots
                            ? say(speaker, 'pour.shotHow')
                            : say(speaker, make === 'parts' ? 'pour.thenGels' : 'pour.thenTool', { minutes: String(then) })}
                      </T>
                    )}
                  </View>
                </Pail>
              </View>
              {others.length > 0 ? (
                <View className={`self-start border-ink ${hand === 'right' ? 'border-r-4' : 'border-l-4'}`} style={{ width: size.width - mainWidth }}>
                  <OtherPails
                    pails={others.map((other) => ({ batch: other.batch.batch, placed: other.placed, reading: other.reading }))}
                    width={size.width - mainWidth}
                    height={size.height - (onSide ? 0 : controls + LINE_ROOM)}
                    onPick={setPicked}
                  />
                </View>
              ) : null}
            </View>
          ) : null}
          {several ? null : head}
          {onSide ? null : (
            <View className={`absolute bottom-0 left-0 right-0 gap-4 p-4 ${wide ? 'mx-auto max-w-[640px]' : ''}`} style={{ pointerEvents: 'none' }}>
              <View style={{ pointerEvents: 'auto' }}>{below}</View>
              <View
                style={{ marginTop: LINE_ROOM + 4, pointerEvents: 'auto' }}
                onLayout={({ nativeEvent: { layout } }) => setControls(Math.round(layout.height) + 16)}
              >
                {events}
              </View>
            </View>
          )}
        </View>
        {onSide ? null : nav}
      </View>
      {onSide ? (
        <View className={`w-[320px] justify-end bg-ground ${hand === 'right' ? 'border-l-2' : 'border-r-2'} border-ink`}>
          <View className="gap-3 p-3">
            {below}
            {events}
          </View>
          {nav}
        </View>
      ) : null}
    </View>
  );
}

/** On waking: what ran out meanwhile, and when; the pail behind it shows the state now. */
function Missed({ lines, at, onRead }: { lines: readonly LineAt[]; at: number; onRead: () => void }) {
  const speaker = useSpeaker();
  return (
    <View role="alert" className="bg-stop-fill px-2 py-1" testID="missed">
      {lines.map(({ batch, placed, at: ended }) => (
        <T key={`${batch}${placed}`} as="strong" tone="stop">
          {say(speaker, placed ? 'pour.missedFinish' : 'pour.missedPlace', {
            batch,
            time: format(ended, 'HH:mm'),
            minutes: String(Math.max(1, Math.round((at - ended) / 60_000))),
          })}
        </T>
      ))}
      <Word label={say(speaker, 'pour.read')} onPress={onRead} />
    </View>
  );
}

/** A shot of several by its own number: 5-3 is the third. */
function shotText(speaker: Speaker, written: string, count: number): string | null {
  const nth = /-(\d+)$/.exec(written)?.[1];
  return nth && count > 1 ? say(speaker, 'pour.shotOf', { nth, count: String(count), number: listedNumber(written) }) : null;
}
