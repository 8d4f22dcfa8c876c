import type { Phase } from '@tufa/core/pour';
import type { Scene } from '@tufa/draw';
import { useMemo } from 'react';
import { SceneView } from '../parts/ui/SceneView';

const PATTERN = { wet: 'wet', workable: 'mortar', stiffening: 'stiff', set: 'set' } as const;

/** The material under its surface, its texture the phase. */
export function PailFill({ width, height, phase }: { width: number; height: number; phase: Phase }) {
  const scene = useMemo<Scene>(() => {
    const wave = Array.from({ length: 13 }, (_, i) => `${i === 0 ? 'M' : 'L'}${Math.round((width * i) / 12)} ${i % 2 === 0 ? 6 : 12}`).join('');
    return {
      width,
      height,
      title: { text: '' },
      shapes: [
        { type: 'path', d: `${wave}V${height}H0Z`, pattern: PATTERN[phase] },
        { type: 'path', d: wave, stroke: 'ink', width: 4 },
      ],
    };
  }, [width, height, phase]);
  return <SceneView scene={scene} bare />;
}
