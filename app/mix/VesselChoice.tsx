import { vesselHolds, vesselsOf, type Contents, type Vessel } from '@tufa/core/mix';
import type { PlanInput } from '@tufa/core/plan';
import { say, printMeasure } from '@tufa/words';
import type { Speaker } from '@tufa/words/speak';
import { View } from 'react-native';
import { useSpeaker } from '../parts/phone/speaker';
import { Choice } from '../parts/ui/Choice';
import { T } from '../parts/ui/T';

const nameOf = (speaker: Speaker, { code, name, volume_m3 }: Vessel): string =>
  say(speaker, 'used.vessel', { name: name ?? say(speaker, `used.vessels.${code}`), volume: printMeasure(speaker, 'volume', volume_m3) });

/** In which vessel it is made: what stands at hand; one that is too small says so. */
export function VesselChoice({
  firm,
  contents,
  vessel,
  onChange,
}: {
  firm: PlanInput['firm'];
  contents: Contents;
  vessel: Vessel;
  onChange: (vessel: Vessel) => void;
}) {
  const speaker = useSpeaker();
  const all = vesselsOf(firm);
  const keyOf = ({ code, name = '' }: Vessel): string => `${code} ${name}`;
  return (
    <View className="gap-1">
      <Choice
        label={say(speaker, 'used.vesselLabel')}
        value={keyOf(vessel)}
        options={all.map((each) => ({ value: keyOf(each), label: nameOf(speaker, each) }))}
        onChange={(key) => onChange(all.find((each) => keyOf(each) === key) ?? vessel)}
      />
      {vesselHolds(vessel, contents) ? null : (
        <View role="alert">
          <T tone="stop" as="strong">
            {say(speaker, 'used.vesselSmall', { need: printMeasure(speaker, 'volume', Math.max(contents.mixed_m3, contents.bulk_m3)) })}
          </T>
        </View>
      )}
    </View>
  );
}
