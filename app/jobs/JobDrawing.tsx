import type { FirmData } from '@tufa/contract/entities';
import { planScene } from '@tufa/draw';
import { useMemo } from 'react';
import { View } from 'react-native';
import { SceneView } from '../parts/ui/SceneView';
import { foundIn, SECTIONS_MOST } from './foundIn';
import { SmallSection } from './SmallSection';

/** A job's findings as small sections, or its first element while nothing is found: what stands in a list instead of an icon. */
export function JobDrawing({ data, jobId }: { data: FirmData; jobId: string }) {
  const element = Object.values(data.element).find((element) => element.jobId === jobId && !element.removed);
  const findings = foundIn(data, jobId);
  const plan = useMemo(
    () => (element ? planScene({ outline: element.geometry.outline, findings: [], width: 64, height: 48, unit_m: 1, unit: 'm', small: true }) : null),
    [element],
  );
  if (findings.length === 0) return plan ? <SceneView scene={plan} bare /> : null;
  return (
    <View className="gap-1">
      {findings.slice(0, SECTIONS_MOST).map((finding) => (
        <SmallSection key={finding.id} data={data} finding={finding} />
      ))}
    </View>
  );
}
