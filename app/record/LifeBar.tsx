import { lifeScene } from '@tufa/draw';
import { useMemo } from 'react';
import { View } from 'react-native';
import { SceneView } from '../parts/SceneView';
import { useSize } from '../parts/useSize';

/** One batch's life: what the plan gave, and where it was placed and ended. */
export function LifeBar(life: { planPlace_s: number; planFinish_s: number; placed_s: number | null; ended_s: number | null; lost: boolean }) {
  const { size, onLayout } = useSize();
  const scene = useMemo(
    () => (size ? lifeScene({ ...life, width: size.width, height: 64 }) : null),
    [size, life.planPlace_s, life.planFinish_s, life.placed_s, life.ended_s, life.lost],
  );
  return (
    <View onLayout={onLayout} className="h-[64px]">
      {scene ? <SceneView scene={scene} /> : null}
    </View>
  );
}
