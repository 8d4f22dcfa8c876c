import type { RowOf } from '@tufa/contract/entities';
import type { Sheet } from '@tufa/core/shelf';
import { planScene, sectionScene } from '@tufa/draw';
import { useMemo } from 'react';
import { smallSection } from './smallSection';
import { SceneView } from '../parts/ui/SceneView';
import { planFinding, planShape } from '@tufa/words/survey';
import { useSpeaker } from '../parts/phone/speaker';

/** A spall's own section or another finding's own plan, small: what stands in a list instead of an icon. */
export function SmallSection({ finding, element, sheet }: { finding: RowOf<'finding'>; element: RowOf<'element'> | null; sheet: Sheet | null }) {
  const speaker = useSpeaker();
  const scene = useMemo(() => {
    if (!element) return null;
    const size = { width: 64, height: 48, unit_m: 1, unit: '', small: true };
    if (finding.kind === 'spall')
      return sectionScene(smallSection({ finding: finding.properties, on: element.kind, thickness: element.geometry.thickness, sheet }), size);
    return planScene({
      ...planShape(element),
      findings: [planFinding(speaker, finding)],
      ...size,
    });
  }, [element, finding, sheet, speaker]);
  return scene ? <SceneView scene={scene} bare /> : null;
}
