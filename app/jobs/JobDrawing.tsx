import { materialOf } from '@tufa/contract/assemble';
import { planScene } from '@tufa/draw';
import { useMemo } from 'react';
import { View } from 'react-native';
import { useFirm, usePicture } from '../outbox/useFirm';
import { SceneView } from '../parts/ui/SceneView';
import { planShape } from '@tufa/words/survey';
import { SmallSection } from './SmallSection';

/** A job's findings as small sections, or its first element while nothing is found: what stands in a list instead of an icon. */
export function JobDrawing({ jobId }: { jobId: string }) {
  const { data } = useFirm();
  const { element = null, found = [] } = usePicture(jobId) ?? {};
  const plan = useMemo(
    () => (element ? planScene({ ...planShape(element), findings: [], width: 64, height: 48, unit_m: 1, unit: 'm', small: true }) : null),
    [element],
  );
  if (found.length === 0) return plan ? <SceneView scene={plan} bare /> : null;
  return (
    <View className="gap-1">
      {found.map(({ finding, element: on, sheetId }) => (
        <SmallSection key={finding.id} finding={finding} element={on} sheet={sheetId ? materialOf(data, sheetId) : null} />
      ))}
    </View>
  );
}
