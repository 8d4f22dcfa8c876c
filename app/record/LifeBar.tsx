import { lifeScene } from '@tufa/draw';
import { useMemo } from 'react';
import { View } from 'react-native';
import { SceneView } from '../parts/ui/SceneView';
import { useSize } from '../parts/phone/useSize';

/** One batch's life: what the plan gave, and where it was placed and ended. */
export function LifeBar({
  planPlace_s,
  planFinish_s,
  placed_s,
  ended_s,
  lost,
}: {
  planPlace_s: number;
  planFinish_s: number;
  placed_s: number | null;
  ended_s: number | null;
  lost: boolean;
}) {
  const { size, onLayout } = useSize();
  const scene = useMemo(
    () => (size ? lifeScene({ planPlace_s, planFinish_s, placed_s, ended_s, lost, width: size.width, height: 64 }) : null),
    [size, planPlace_s, planFinish_s, placed_s, ended_s, lost],
  );
  return (
    <View onLayout={onLayout} className="h-[64px]">
      {scene ? <SceneView scene={scene} /> : null}
    </View>
  );
}
