import type { FirmData, RowOf } from '@tufa/contract/entities';
import { sectionScene } from '@tufa/draw';
import { useMemo } from 'react';
import { sectionOf } from '../fix/sectionOf';
import { SceneView } from '../parts/SceneView';

/** A finding's own section, small: what stands in a list instead of an icon. */
export function SmallSection({ data, finding }: { data: FirmData; finding: RowOf<'finding'> }) {
  const element = data.element[finding.elementId];
  const chosen = Object.values(data.treatment).find((one) => one.findingId === finding.id && !one.removed);
  const sheet = chosen ? (data.sheet[chosen.sheetId]?.sheet ?? null) : null;
  const scene = useMemo(
    () =>
      element
        ? sectionScene({
            ...sectionOf({ finding: finding.properties, thickness: element.geometry.thickness, sheet }),
            width: 64,
            height: 48,
            unit_m: 1,
            unit: '',
            small: true,
          })
        : null,
    [element, finding, sheet],
  );
  return scene ? <SceneView scene={scene} bare /> : null;
}
