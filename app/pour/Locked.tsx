import { say } from '@tufa/words';
import { useState } from 'react';
import { View } from 'react-native';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { T } from '../parts/ui/T';

/** Clocks closer than this to the firm's are alike, ms. */
const ALIKE_MS = 2000;

/** What a web page can and cannot do on a locked phone, and how this phone's clock stands to the firm's. */
export function Locked({ clockOffset }: { clockOffset: number }) {
  const speaker = useSpeaker();
  const has = typeof Notification !== 'undefined';
  const [allowed, setAllowed] = useState(has ? Notification.permission : 'denied');
  return (
    <View className="gap-1">
      <T as="small">{say(speaker, 'pour.locked')}</T>
      {has && allowed === 'default' ? (
        <Button label={say(speaker, 'pour.notify')} onPress={() => void Notification.requestPermission().then(setAllowed)} />
      ) : null}
      {Math.abs(clockOffset) > ALIKE_MS ? (
        <T as="small" tone="caution">
          {say(speaker, 'pour.clockOff', {
            seconds: String(Math.round(Math.abs(clockOffset) / 1000)),
            way: say(speaker, clockOffset < 0 ? 'pour.ahead' : 'pour.behind'),
          })}
        </T>
      ) : null}
    </View>
  );
}
