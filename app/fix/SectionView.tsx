import type { FindingPlan } from '@tufa/core/plan';
import type { Sheet } from '@tufa/core/shelf';
import { sectionScene } from '@tufa/draw';
import { unitSystem } from '@tufa/words';
import { useMemo } from 'react';
import { View } from 'react-native';
import { SceneView } from '../parts/SceneView';
import { useSize } from '../parts/useSize';
import type { JobView } from '../parts/useJob';

/** The repair as if cut through, to scale. */
export function SectionView({ view, finding, sheet }: { view: JobView; finding: FindingPlan; sheet: Sheet }) {
  const { size, onLayout } = useSize();
  const found = view.input.findings.find(({ id }) => id === finding.findingId);
  const element = view.input.elements.find(({ id }) => id === finding.elementId);
  const metric = unitSystem() === 'metric';
  const scene = useMemo(
    () =>
      size && found && element
        ? sectionScene({
            name: sheet.name,
            deepest_m: finding.takeOff.deepest_m,
            thickness_m: element.thickness.value,
            shape: found.shape,
            edge: found.edge,
            lifts: Math.max(1, Math.ceil(finding.takeOff.deepest_m / sheet.thickness.liftMost_m - 1e-9)),
            bond: sheet.bond === 'slurry',
            grain_m: sheet.grain_m,
            moisture: sheet.moisture,
            width: size.width,
            height: size.height,
            unit_m: metric ? 0.001 : 0.0254,
            unit: metric ? 'mm' : 'in',
          })
        : null,
    [size, found, element, sheet, finding.takeOff.deepest_m, metric],
  );
  return (
    <View className="h-[248px] lg:h-[320px]" onLayout={onLayout}>
      {scene ? <SceneView scene={scene} /> : null}
    </View>
  );
}
