import type { DayPlan } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { Pressable, Text, View } from 'react-native';
import { lifeText } from '../mix/batchText';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { settled } from '../parts/ui/settled';
import { T } from '../parts/ui/T';
import { barText, clockText, linesOf, whyText } from './barText';

type Named = Parameters<typeof barText>[2];

const STEP_S = 300;

/** The day by the clock, a line a thing; one tap says why it stands there and moves it. */
export function DayList({
  day,
  named,
  pins,
  picked,
  onPick,
  onMove,
  onLetGo,
}: {
  day: DayPlan;
  named: Named;
  pins: Readonly<Record<string, number>>;
  picked: string | null;
  onPick: (id: string | null) => void;
  onMove: (id: string, start_s: number) => void;
  onLetGo: (id: string) => void;
}) {
  const speaker = useSpeaker();
  return (
    <View role="list" aria-label={say(speaker, 'dayPlan.list')} className="border-t-2 border-ink">
      {linesOf(day).map(({ bar, end_s }) => {
        const on = picked === bar.id;
        const batch = named.batches.find(({ number }) => number === bar.batch);
        const sub = [
          batch ? lifeText(speaker, batch) : null,
          bar.hands > 0 && !batch ? say(speaker, 'dayPlan.hands', { count: bar.hands }) : null,
          batch ? null : durationText(end_s - bar.start_s),
        ]
          .filter(Boolean)
          .join(', ');
        return (
          <DayLine
            key={bar.id}
            time={clockText(bar.start_s)}
            name={barText(speaker, bar, named)}
            sub={sub}
            batch={bar.batch !== undefined}
            moved={bar.id in pins}
            fixed={bar.code === 'fixed'}
            why={on ? whyText(speaker, bar.why, day, named) : null}
            onPick={() => onPick(on ? null : bar.id)}
            onStep={(by) => onMove(bar.id, bar.start_s + by * STEP_S)}
            onLetGo={() => onLetGo(bar.id)}
          />
        );
      })}
    </View>
  );

  function durationText(s: number): string {
    const minutes = Math.round(s / 60);
    return minutes < 120 ? `${minutes} ${say(speaker, 'unit.min')}` : `${Math.round(minutes / 6) / 10} ${say(speaker, 'unit.h')}`;
  }
}

const DayLine = settled(function DayLine({
  time,
  name,
  sub,
  batch,
  moved,
  fixed,
  why,
  onPick,
  onStep,
  onLetGo,
}: {
  time: string;
  name: string;
  sub: string;
  batch: boolean;
  moved: boolean;
  /** others have set its hour */
  fixed: boolean;
  /** why it stands there; null while nobody asks */
  why: string | null;
  onPick: () => void;
  onStep: (by: 1 | -1) => void;
  onLetGo: () => void;
}) {
  const speaker = useSpeaker();
  return (
    <View role="listitem" className="border-b border-line">
      <Pressable
        role="button"
        aria-expanded={why !== null}
        aria-label={`${time} ${name}, ${sub}`}
        onPress={onPick}
        className="min-h-[56px] flex-row items-center gap-3 py-1"
      >
        <Text className="w-[64px] font-head text-18 font-bold text-ink">{time}</Text>
        <View className={batch ? 'h-[40px] w-[14px] bg-ink' : 'h-[40px] w-[6px] bg-edge'} />
        <View className="flex-1">
          <T as="strong">{name}</T>
          <T as="small">{sub}</T>
        </View>
        {moved ? <T as="small">●</T> : null}
      </Pressable>
      {why === null ? null : (
        <View className="gap-2 pb-3 pl-[76px]" testID="why">
          <T>{why}</T>
          {fixed ? null : (
            <View className="flex-row flex-wrap gap-2">
              <Button writes="job.change" label={say(speaker, 'dayPlan.earlier')} onPress={() => onStep(-1)} />
              <Button writes="job.change" label={say(speaker, 'dayPlan.later')} onPress={() => onStep(1)} />
              {moved ? <Button writes="job.change" label={say(speaker, 'dayPlan.letGo')} onPress={onLetGo} /> : null}
            </View>
          )}
        </View>
      )}
    </View>
  );
});
