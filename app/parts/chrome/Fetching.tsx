import { say } from '@tufa/words/speak';
import { View } from 'react-native';
import { useSpeaker } from '../phone/speaker';
import { T } from '../ui/T';

/** In place of a screen that is not here yet. */
export function Fetching() {
  const speaker = useSpeaker();
  return (
    <View role="main" className="h-full w-full flex-1 items-center justify-center bg-ground p-4">
      <T as="lead">{say(speaker, 'state.loading')}</T>
    </View>
  );
}
