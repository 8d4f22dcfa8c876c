import { say } from '@tufa/words';
import { View } from 'react-native';
import { useSpeaker } from '../parts/phone/speaker';
import { Button } from '../parts/ui/Button';
import { T } from '../parts/ui/T';

/** Recovery codes, shown this once: to be written down or printed. */
export function Codes({ codes, onDone }: { codes: readonly string[]; onDone: () => void }) {
  const speaker = useSpeaker();
  return (
    <View className="gap-3" testID="codes">
      <T as="h2">{say(speaker, 'start.codes')}</T>
      <T tone="caution">{say(speaker, 'start.codesLead')}</T>
      <View className="gap-1">
        {codes.map((code) => (
          <T key={code} as="lead" tone="ink" className="tabular-nums select-text">
            {code}
          </T>
        ))}
      </View>
      <View className="flex-row flex-wrap gap-3">
        <Button label={say(speaker, 'start.print')} onPress={() => window.print()} />
        <Button label={say(speaker, 'start.codesDone')} tone="act" onPress={onDone} />
      </View>
    </View>
  );
}
