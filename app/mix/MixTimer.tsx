import { say } from '@tufa/words';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { now } from '../parts/phone/clock';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { T } from '../parts/ui/T';
import { ring, unlockSound } from '../pour/alarm';
import { useNow } from '../pour/useNow';

/** Minutes and seconds that are left, as a clock reads. */
const clock = (left_s: number): string => `${Math.floor(left_s / 60)}:${String(Math.floor(left_s % 60)).padStart(2, '0')}`;

const PHONE = { now, practice: null };

/** The mixing time as a clock that rings: started with the paddle, stopped by a tap. */
export function MixTimer({ time_s }: { time_s: number }) {
  const speaker = useSpeaker();
  const [begun, setBegun] = useState<number | null>(null);
  const at = useNow(PHONE, begun !== null);
  const left_s = begun === null ? time_s : Math.max(0, time_s - (at - begun) / 1000);
  const over = begun !== null && left_s === 0;
  useEffect(() => {
    if (over) ring(true);
  }, [over]);
  const start = (): void => {
    unlockSound();
    setBegun(begun === null ? now() : null);
  };
  return (
    <View className="gap-1">
      {begun === null ? null : (
        <View role={over ? 'alert' : 'timer'}>
          <T as="answer">{over ? say(speaker, 'mix.mixed') : clock(Math.ceil(left_s))}</T>
        </View>
      )}
      <Button big label={say(speaker, begun === null ? 'mix.timer' : 'mix.timerStop')} onPress={start} />
    </View>
  );
}
