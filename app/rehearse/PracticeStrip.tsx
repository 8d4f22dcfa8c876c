import { say } from '@tufa/words';
import { format } from 'date-fns/format';
import { useEffect, useState, useSyncExternalStore } from 'react';
import { Pressable, Text, View } from 'react-native';
import { useSpeaker } from '../parts/phone/speaker';
import { Button, Word } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { Toggle } from '../parts/ui/Toggle';
import { mishapText, stageText } from './momentText';
import type { Rehearsing } from './Rehearsing';

/** So many times as fast as the day itself. */
const SPEEDS: readonly number[] = [1, 5, 20, 60];
const TICK_MS = 250;
/** Over the pour's own screen: that it is practice, its clock, how fast it goes, what the crew does and what just happened. */
export function PracticeStrip({
  rehearsing,
  skipTo,
  done,
  onSee,
  onLeave,
}: {
  rehearsing: Rehearsing;
  skipTo: number | null;
  done: boolean;
  onSee: () => void;
  onLeave: () => void;
}) {
  const speaker = useSpeaker();
  const { state, at_ms, speed, paused } = useSyncExternalStore(rehearsing.subscribe, rehearsing.snapshot);
  // What happened stands there until it is read, the first first.
  const [read, setRead] = useState(0);
  useEffect(() => {
    const timer = setInterval(rehearsing.tick, TICK_MS);
    return () => clearInterval(timer);
  }, [rehearsing]);
  const fresh = state.happened[read];
  const inHand = Object.values(state.batches).filter(({ stage }) => stage !== 'done');
  const begun = Object.keys(state.batches).length > 0;
  const hands = say(speaker, 'rehearse.hand', { count: state.hands });
  const next = SPEEDS[(SPEEDS.indexOf(speed) + 1) % SPEEDS.length]!;
  const key = 'min-h-[56px] lg:min-h-[48px] min-w-[64px] items-center justify-center border-2 px-2';
  return (
    <View
      role="region"
      aria-label={say(speaker, 'rehearse.practice')}
      className="gap-1 border-b-4 border-double border-ink bg-caution-fill px-3 pb-1 pt-1"
      testID="practice"
    >
      <View className="flex-row flex-wrap items-center gap-2">
        <View className="flex-1">
          <T as="small" tone="caution" className="font-bold">
            {say(speaker, 'rehearse.practice')}
          </T>
          <Text className="font-head text-24 font-bold text-ink" testID="practice-clock">
            {format(at_ms, 'HH:mm:ss')}
          </Text>
        </View>
        <Toggle
          role="switch"
          aria-checked={paused}
          aria-label={say(speaker, paused ? 'rehearse.on' : 'rehearse.pause')}
          onPress={() => rehearsing.pause(!paused)}
          className={`${key} ${paused ? 'border-selected bg-selected' : 'border-edge bg-sheet'}`}
        >
          <Text className={`font-text text-16 ${paused ? 'font-bold text-on-selected' : 'text-ink'}`}>
            {say(speaker, paused ? 'rehearse.on' : 'rehearse.pause')}
          </Text>
        </Toggle>
        <Pressable
          role="button"
          aria-label={say(speaker, 'rehearse.faster', { times: String(speed), next: String(next) })}
          onPress={() => rehearsing.run(next)}
          className={`${key} border-edge bg-sheet`}
        >
          <Text className="font-text text-16 font-bold text-ink">{say(speaker, 'rehearse.times', { times: String(speed) })}</Text>
        </Pressable>
        <Pressable role="button" onPress={onLeave} className={`${key} border-edge bg-sheet`}>
          <Text className="font-text text-16 text-ink">{say(speaker, 'rehearse.leave')}</Text>
        </Pressable>
      </View>
      {fresh ? (
        <View role="alert" className="flex-row items-center justify-between gap-2 border-2 border-stop bg-sheet px-2" testID="mishap">
          <T as="strong" tone="stop" className="flex-1">
            {mishapText(speaker, fresh.code, fresh.number)}
          </T>
          <Word label={say(speaker, 'pour.read')} onPress={() => setRead(read + 1)} />
        </View>
      ) : (
        <View role="group" aria-label={say(speaker, 'rehearse.crew')}>
          <T as="strong">
            {[hands, ...(inHand.length > 0 ? inHand.map((batch) => stageText(speaker, batch)) : [say(speaker, 'rehearse.nothingOn')])].join('. ')}
          </T>
        </View>
      )}
      {done ? (
        <Button label={say(speaker, 'rehearse.see')} tone="act" onPress={onSee} testID="see-outcome" />
      ) : skipTo !== null && inHand.length === 0 && begun ? (
        <Word label={say(speaker, 'rehearse.skip')} onPress={() => rehearsing.skip(skipTo)} />
      ) : null}
    </View>
  );
}
