import type { Point } from '@tufa/core/takeoff';
import { useGesture } from '@use-gesture/react';
import simplify from 'simplify-js';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import Svg, { Path } from 'react-native-svg';

const pathOf = (stroke: readonly Point[]): string => stroke.map(([x, y], i) => `${i === 0 ? 'M' : 'L'}${x} ${y}`).join('');

/** A picture with lines drawn on it by a finger, each place as a share of its width and height. */
export function Strokes({
  url,
  alt,
  strokes,
  onStroke,
}: {
  url: string;
  alt: string;
  strokes: readonly (readonly Point[])[];
  onStroke?: (stroke: Point[]) => void;
}) {
  const box = useRef<View>(null);
  const trail = useRef<Point[]>([]);
  const [drawn, setDrawn] = useState<readonly Point[]>([]);
  useGesture(
    {
      onDrag: ({ first, last, xy: [x, y] }) => {
        if (!onStroke) return;
        const rect = (box.current as unknown as HTMLElement).getBoundingClientRect();
        const share = (value: number): number => Math.min(1, Math.max(0, Math.round(value * 1000) / 1000));
        if (first) trail.current = [];
        trail.current.push([share((x - rect.left) / rect.width), share((y - rect.top) / rect.height)]);
        setDrawn([...trail.current]);
        if (!last) return;
        const kept = simplify(
          trail.current.map(([px, py]) => ({ x: px, y: py })),
          0.003,
          true,
        ).map(({ x: px, y: py }): Point => [px, py]);
        setDrawn([]);
        if (kept.length > 1) onStroke(kept);
      },
    },
    { target: box as never, drag: { pointer: { keys: false } } },
  );
  return (
    <View ref={box} testID="photo" style={{ touchAction: onStroke ? 'none' : 'auto' } as object}>
      <img src={url} alt={alt} style={{ display: 'block', width: '100%' }} />
      <Svg viewBox="0 0 1 1" preserveAspectRatio="none" style={{ position: 'absolute', left: 0, top: 0, width: '100%', height: '100%' } as object}>
        {[...strokes, drawn].map((stroke, i) => (
          <Path key={i} d={pathOf(stroke)} fill="none" stroke="var(--stop)" strokeWidth={4} {...({ vectorEffect: 'non-scaling-stroke' } as object)} />
        ))}
      </Svg>
    </View>
  );
}
