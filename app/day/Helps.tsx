import { say } from '@tufa/words';
import { View } from 'react-native';
import type { Help } from '../workers/planDay';
import { useSpeaker } from '../parts/phone/speaker';
import { T } from '../parts/ui/T';
import { sayChance } from './quantityText';

/** What would help the day most, with the chance that is left; nothing where nothing does. */
export function Helps({ helps }: { helps: readonly Help[] }) {
  const speaker = useSpeaker();
  return (
    <View className="gap-2" testID="helps">
      <T as="h2">{say(speaker, 'dayPlan.helps')}</T>
      {helps.length === 0 ? <T as="faint">{say(speaker, 'dayPlan.helpsNone')}</T> : null}
      {helps.map(({ code, noneLost, sooner_s }) => (
        <View key={code} className="flex-row items-start justify-between gap-3 border-b border-line pb-2">
          <View className="flex-1">
            <T as="strong">{say(speaker, `dayPlan.help.${code}`)}</T>
            <T as="small">
              {sooner_s === 0
                ? say(speaker, 'dayPlan.helpSame')
                : say(speaker, sooner_s > 0 ? 'dayPlan.helpSooner' : 'dayPlan.helpLater', { by_s: Math.abs(sooner_s) })}
            </T>
          </View>
          <T as="strong">{sayChance(speaker, 1 - noneLost)}</T>
        </View>
      ))}
    </View>
  );
}
