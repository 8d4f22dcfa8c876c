import type { FirmData } from '@tufa/contract/entities';
import { planScene } from '@tufa/draw';
import { useMemo } from 'react';
import { SceneView } from '../parts/SceneView';

/** A job's first element with its findings, small: what stands in a list instead of an icon. */
export function JobDrawing({ data, jobId }: { data: FirmData; jobId: string }) {
  const scene = useMemo(() => {
    const element = Object.values(data.element).find((one) => one.jobId === jobId && !one.removed);
    if (!element) return null;
    const findings = Object.values(data.finding).filter((one) => one.elementId === element.id && !one.removed);
    return planScene({
      outline: element.geometry.outline,
      findings: findings.map(({ id, label, outline }) => ({ id, label, points: outline.points })),
      width: 64,
      height: 48,
      unit_m: 1,
      unit: 'm',
      small: true,
    });
  }, [data.element, data.finding, jobId]);
  return scene ? <SceneView scene={scene} bare /> : null;
}
