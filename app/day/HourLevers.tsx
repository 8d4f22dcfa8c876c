import type { HourLooked, WeekHour } from '@tufa/core/plan';
import { say, sayCoded } from '@tufa/words';
import { View } from 'react-native';
import { useSpeaker } from '../parts/phone/speaker';
import { T } from '../parts/ui/T';
import { leverName } from './leverName';

/** So many are told: the rest are in the batch's own window. */
const SHOWN = 3;

/** What a lever changes is the mix, the slab, the hands; none of them moves a shower or the night. */
const OPENABLE: readonly (WeekHour['why'] | null)[] = ['skin', 'short', 'heat', null];

/** What would open an hour that is too short, with what each gives and costs; for a good hour what would give it more. */
export function HourLevers({ looked: { levers }, hour: { why } }: { looked: HourLooked; hour: WeekHour }) {
  const speaker = useSpeaker();
  if (!OPENABLE.includes(why)) return null;
  // Another hour is what the week itself is for.
  const offered = levers.filter(({ code, needed }) => code !== 'hour' && (why === null || needed !== null)).slice(0, why === null ? 1 : SHOWN);
  if (offered.length === 0) return why === null ? null : <T as="faint">{say(speaker, 'week.nothing')}</T>;
  return (
    <View className="gap-1">
      <T as="small">{say(speaker, why === null ? 'week.opened' : 'week.opens')}</T>
      {offered.map((lever) => (
        <View key={lever.code} className="flex-row items-start gap-3">
          <View className="flex-1">
            <T as="strong">{leverName(speaker, lever)}</T>
            <T as="small">{sayCoded(speaker, `lever.why.${lever.code}`)}</T>
          </View>
          <T as="strong">
            {Math.round(lever.gain_s / 60) >= 1 ? say(speaker, 'day.gain', { minutes: String(Math.round(lever.gain_s / 60)) }) : say(speaker, 'day.gainLittle')}
          </T>
        </View>
      ))}
    </View>
  );
}
