import type { ClockReading } from '@tufa/core/pour';
import { say } from '@tufa/words';
import { Pressable, Text, View } from 'react-native';
import { digitsOf, unitWords } from './digitsOf';
import { PailFill } from './PailFill';
import { useSpeaker } from '../parts/phone/speaker';

/** A batch that runs beside the one with the larger part of the screen. */
export interface OtherPail {
  readonly batch: string;
  readonly placed: boolean;
  readonly reading: ClockReading;
}

/** The other running batches beside the one that ends first: level, minutes, and a tap that changes places. */
export function OtherPails({ pails, height, width, onPick }: { pails: readonly OtherPail[]; height: number; width: number; onPick: (batch: string) => void }) {
  const speaker = useSpeaker();
  const each = Math.floor(height / pails.length);
  return (
    <View style={{ width, height }}>
      {pails.map(({ batch, placed, reading }, i) => {
        const { digits } = digitsOf(reading.left_s);
        const after = unitWords(speaker, reading.left_s, placed);
        const short = each < 150;
        const surface = Math.round(44 + (1 - reading.level) * (each - 60));
        return (
          <Pressable
            key={batch}
            role="button"
            aria-label={`${say(speaker, 'pour.switch', { batch })}: ${digits} ${after}`}
            onPress={() => onPick(batch)}
            className={`overflow-hidden bg-ground ${i > 0 ? 'border-t-4 border-ink' : ''}`}
            style={{ height: each }}
          >
            <View className="absolute left-0 right-0 overflow-hidden" style={{ top: surface - 6, height: Math.max(0, each - surface + 6) }}>
              <PailFill width={width} height={each} phase={reading.phase} />
            </View>
            <Text className="font-text mx-2 my-1 self-start bg-ground px-1 text-16 font-bold text-ink">{say(speaker, 'pour.switch', { batch })}</Text>
            <View className="absolute left-2 self-start bg-ground px-1" style={{ top: short ? 30 : 44 }}>
              <Text
                className={`font-head font-extrabold ${short ? 'text-36 leading-36' : 'text-56 leading-56'} ${reading.left_s < 0 ? 'text-stop' : 'text-ink'}`}
              >
                {digits}
              </Text>
              <Text className="font-text text-14 leading-17 text-ink">{after}</Text>
            </View>
          </Pressable>
        );
      })}
    </View>
  );
}
