import type { SystemSection } from '@tufa/core/plan';
import { sectionScene } from '@tufa/draw';
import { say } from '@tufa/words';
import { View } from 'react-native';
import { Word } from '../parts/ui/Button';
import { saveSvg } from '../parts/phone/saveSvg';
import { SceneView } from '../parts/ui/SceneView';
import { usePhone } from '../parts/phone/useSettings';
import { useSize, useWide } from '../parts/phone/useSize';
import { useSpeaker } from '../parts/phone/speaker';

/** Room for the drawing itself; what it names stands beside it or under it. */
const HEIGHT = { phone: 220, wide: 320 } as const;

/** The repair as if cut through, to scale. */
export function SectionView({ section }: { section: SystemSection }) {
  const speaker = useSpeaker();
  const { size, onLayout } = useSize();
  const { hand } = usePhone();
  const wide = useWide();
  const metric = speaker.system === 'metric';
  const units = metric ? { unit_m: 0.001, unit: 'mm' } : { unit_m: 0.0254, unit: 'in' };
  const scene = size ? sectionScene(section, { width: size.width, height: wide ? HEIGHT.wide : HEIGHT.phone, ...units, mirror: hand === 'left' }) : null;
  return (
    <View>
      <View className="min-h-[248px] lg:min-h-[320px]" onLayout={onLayout}>
        {scene ? <SceneView scene={scene} /> : null}
      </View>
      <View className="flex-row justify-end">
        {scene ? (
          <Word
            label={say(speaker, 'draw.svg')}
            hint={say(speaker, 'draw.sectionSvg')}
            onPress={() => saveSvg(speaker, scene, say(speaker, 'draw.sectionName'))}
          />
        ) : null}
      </View>
    </View>
  );
}
