import { PATTERN_TILES, roomFor, type Label, type Paint, type Scene, type Shape } from '@tufa/draw';
import { say } from '@tufa/words';
import { memo, useId } from 'react';
import Svg, { Defs, G, Path, Pattern, Rect, Text } from 'react-native-svg';

const colour = (paint: Paint | undefined): string => (paint === undefined || paint === 'none' ? 'none' : `var(--${paint === 'onAct' ? 'on-act' : paint})`);

const GROUND: Record<string, string> = { wet: 'var(--pat-wet)', mortar: 'var(--pat-mortar)', stiff: 'var(--pat-stiff)', set: 'var(--pat-set)' };

const speak = ({ code, figures, text }: Label): string => text ?? (code ? say(code, figures ?? {}) : '');

/** The patterns a scene uses, as tiles of this picture. */
function Patterns({ scene, prefix }: { scene: Scene; prefix: string }) {
  const used = new Map<string, { name: string; grain: number }>();
  for (const shape of scene.shapes)
    if (shape.type === 'path' && shape.pattern) used.set(`${shape.pattern}${shape.grain ?? 1}`, { name: shape.pattern, grain: shape.grain ?? 1 });
  if (used.size === 0) return null;
  return (
    <Defs>
      {[...used].map(([key, { name, grain }]) => {
        const tile = PATTERN_TILES.find((one) => one.name === name);
        if (!tile) return null;
        const size = tile.size * grain;
        return (
          <Pattern key={key} id={`${prefix}${key}`} width={size} height={size} patternUnits="userSpaceOnUse">
            <Rect width={size} height={size} fill={GROUND[name] ?? colour(tile.ground)} />
            <G scale={grain}>
              <Path d={tile.marks} {...(tile.filled ? { fill: 'var(--pat-mark)' } : { fill: 'none', stroke: 'var(--pat-mark)', strokeWidth: 1.4 })} />
            </G>
          </Pattern>
        );
      })}
    </Defs>
  );
}

function Drawn({ shape, prefix }: { shape: Shape; prefix: string }) {
  if (shape.type === 'path')
    return (
      <Path
        d={shape.d}
        fill={shape.pattern ? `url(#${prefix}${shape.pattern}${shape.grain ?? 1})` : colour(shape.fill)}
        stroke={colour(shape.stroke)}
        strokeWidth={shape.width ?? 1}
        {...(shape.dash ? { strokeDasharray: shape.dash } : {})}
      />
    );
  const text = speak(shape.label);
  const anchor = shape.anchor ?? 'start';
  const room = roomFor(text, shape.size);
  const plateX = anchor === 'start' ? shape.x - 5 : anchor === 'end' ? shape.x - room + 5 : shape.x - room / 2;
  return (
    <>
      {shape.plate ? <Rect x={plateX} y={shape.y - shape.size} width={room} height={shape.size * 1.36} fill="var(--ground)" /> : null}
      <Text
        x={shape.x}
        y={shape.y}
        fontFamily={shape.size >= 20 ? 'Bricolage' : 'Atkinson'}
        fontSize={shape.size}
        fontWeight={String(shape.weight ?? 400)}
        textAnchor={anchor}
        fill={colour(shape.paint ?? 'ink')}
      >
        {text}
      </Text>
    </>
  );
}

/** A scene of draw/ on the screen. `bare` is a layer over another picture, without a name of its own. */
export const SceneView = memo(function SceneView({ scene, bare = false }: { scene: Scene; bare?: boolean }) {
  const prefix = `p${useId().replace(/[^a-zA-Z0-9]/g, '')}`;
  const named = bare ? { 'aria-hidden': true } : { role: 'img', 'aria-label': speak(scene.title) };
  return (
    <Svg width={scene.width} height={scene.height} viewBox={`0 0 ${scene.width} ${scene.height}`} style={{ flexShrink: 0 }} {...(named as object)}>
      <Patterns scene={scene} prefix={prefix} />
      {scene.shapes.map((shape, i) => (
        <Drawn key={i} shape={shape} prefix={prefix} />
      ))}
    </Svg>
  );
});
