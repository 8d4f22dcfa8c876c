import { say } from '@tufa/words/speak';
import { useEffect } from 'react';
import { View } from 'react-native';
import { Button } from '../ui/Button';
import { T } from '../ui/T';
import { useSpeaker } from '../phone/speaker';

/**
 * In place of a screen that could not be fetched or drawn. A part that failed to come once is asked for again only by a
 * fresh page: that is taken as soon as there is signal. Whatever was tapped waits on the phone meanwhile.
 */
export function ScreenLost() {
  const speaker = useSpeaker();
  useEffect(() => {
    const again = (): void => window.location.reload();
    window.addEventListener('online', again);
    return () => window.removeEventListener('online', again);
  }, []);
  return (
    <View role="main" className="h-full w-full flex-1 justify-center gap-4 bg-ground p-4">
      <T as="lead">{say(speaker, navigator.onLine ? 'state.failed' : 'state.offline')}</T>
      <Button label={say(speaker, 'state.retry')} tone="act" onPress={() => window.location.reload()} />
    </View>
  );
}
