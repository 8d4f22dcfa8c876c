import { spoonsScene } from '@tufa/draw';
import { useMemo } from 'react';
import { SceneView } from '../parts/ui/SceneView';
import { TEASPOON_M3 } from './sayLine';

/** A small powder in level teaspoons, to a quarter, as they are struck off. */
export function Spoons({ volume_m3 }: { volume_m3: number }) {
  const quarters = Math.max(1, Math.round((volume_m3 / TEASPOON_M3) * 4));
  const scene = useMemo(() => spoonsScene({ quarters }), [quarters]);
  return <SceneView scene={scene} />;
}
