import type { Make } from '@tufa/core/batches';
import type { TapKind } from '@tufa/core/pour';
import { say } from '@tufa/words';
import { View } from 'react-native';
import { Button } from '../parts/ui/Button';
import { usePhone } from '../parts/phone/useSettings';
import { useSpeaker } from '../parts/phone/speaker';

/** The events of one batch under the thumb, in the words of its make: placed, finished, went hard; of a shot the next bottle, or that its line is full. */
export function BigEvents({
  make,
  placed,
  busy,
  shot,
  onTap,
  onShot,
}: {
  make: Make;
  placed: boolean;
  busy: boolean;
  /** of what is squeezed shot after shot: whether another follows; null for the rest */
  shot: 'next' | 'last' | null;
  onTap: (kind: TapKind) => void;
  onShot: () => void;
}) {
  const speaker = useSpeaker();
  const { hand } = usePhone();
  const row = hand === 'right' ? 'flex-row' : 'flex-row-reverse';
  const hard = <Button label={say(speaker, 'pour.wentHard')} tone="stop" big grow disabled={busy} onPress={() => onTap('wentHard')} testID="went-hard" />;
  if (shot)
    return (
      <View className="gap-4">
        <Button
          label={say(speaker, shot === 'next' ? 'pour.nextShot' : 'pour.lastShot')}
          tone="act"
          big
          disabled={busy}
          onPress={() => (shot === 'next' ? onShot() : onTap('finished'))}
          testID="next-shot"
        />
        <View className={`${row} gap-4`}>
          <Button label={say(speaker, 'pour.full')} big grow disabled={busy} onPress={() => onTap('full')} testID="full" />
          {hard}
        </View>
      </View>
    );
  return (
    <View className="gap-4">
      {placed ? null : <Button label={say(speaker, `pour.placedOf.${make}`)} tone="act" big disabled={busy} onPress={() => onTap('placed')} testID="placed" />}
      <View className={`${row} gap-4`}>
        <Button
          label={say(speaker, 'pour.finished')}
          tone={placed ? 'act' : 'plain'}
          big
          grow
          disabled={busy}
          onPress={() => onTap('finished')}
          testID="finished"
        />
        {hard}
      </View>
    </View>
  );
}
