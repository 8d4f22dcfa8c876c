import type { FindingPlan } from '@tufa/core/plan';
import type { Sheet } from '@tufa/core/shelf';
import { sectionScene } from '@tufa/draw';
import { say, unitSystem } from '@tufa/words';
import { useMemo } from 'react';
import { View } from 'react-native';
import { Word } from '../parts/Button';
import { saveSvg } from '../parts/saveSvg';
import { SceneView } from '../parts/SceneView';
import { usePhone } from '../parts/useSettings';
import { useSize } from '../parts/useSize';
import type { JobView } from '../parts/useJob';
import { sectionOf } from './sectionOf';

/** The repair as if cut through, to scale. */
export function SectionView({ view, finding, sheet }: { view: JobView; finding: FindingPlan; sheet: Sheet }) {
  const { size, onLayout } = useSize();
  const found = view.input.findings.find(({ id }) => id === finding.findingId);
  const element = view.input.elements.find(({ id }) => id === finding.elementId);
  const { hand } = usePhone();
  const metric = unitSystem() === 'metric';
  const scene = useMemo(
    () =>
      size && found?.kind === 'spall' && element
        ? sectionScene({
            ...sectionOf({ finding: found, thickness: element.thickness, sheet }),
            width: size.width,
            height: size.height,
            unit_m: metric ? 0.001 : 0.0254,
            unit: metric ? 'mm' : 'in',
            mirror: hand === 'left',
          })
        : null,
    [size, found, element, sheet, metric, hand],
  );
  return (
    <View>
      <View className="h-[248px] lg:h-[320px]" onLayout={onLayout}>
        {scene ? <SceneView scene={scene} /> : null}
      </View>
      <View className="flex-row justify-end">
        {scene ? <Word label={say('draw.svg')} hint={say('draw.sectionSvg')} onPress={() => saveSvg(scene, say('draw.sectionName'))} /> : null}
      </View>
    </View>
  );
}
