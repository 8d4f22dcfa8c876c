import type { DayPlan } from '@tufa/core/plan';
import { say } from '@tufa/words';
import { Pressable, Text, View } from 'react-native';
import { lifeText } from '../mix/batchText';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
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
        const name = barText(speaker, bar, named);
        return (
          <View key={bar.id} role="listitem" className="border-b border-line">
            <Pressable
              role="button"
              aria-expanded={on}
              aria-label={`${clockText(bar.start_s)} ${name}, ${sub}`}
              onPress={() => onPick(on ? null : bar.id)}
              className="min-h-[56px] flex-row items-center gap-3 py-1"
            >
              <Text className="w-[64px] font-head text-18 font-bold text-ink">{clockText(bar.start_s)}</Text>
              <View className={bar.batch ? 'h-[40px] w-[14px] bg-ink' : 'h-[40px] w-[6px] bg-edge'} />
              <View className="flex-1">
                <T as="strong">{name}</T>
                <T as="small">{sub}</T>
              </View>
              {bar.id in pins ? <T as="small">●</T> : null}
            </Pressable>
            {on ? (
              <View className="gap-2 pb-3 pl-[76px]" testID="why">
                <T>{whyText(speaker, bar.why, day, named)}</T>
                {bar.code === 'fixed' ? null : (
                  <View className="flex-row flex-wrap gap-2">
                    <Button label={say(speaker, 'dayPlan.earlier')} onPress={() => onMove(bar.id, bar.start_s - STEP_S)} />
                    <Button label={say(speaker, 'dayPlan.later')} onPress={() => onMove(bar.id, bar.start_s + STEP_S)} />
                    {bar.id in pins ? <Button label={say(speaker, 'dayPlan.letGo')} onPress={() => onLetGo(bar.id)} /> : null}
                  </View>
                )}
              </View>
            ) : null}
          </View>
        );
      })}
    </View>
  );

  function durationText(s: number): string {
    const minutes = Math.round(s / 60);
    return minutes < 120 ? `${minutes} ${say(speaker, 'unit.min')}` : `${Math.round(minutes / 6) / 10} ${say(speaker, 'unit.h')}`;
  }
}
