import { marksOf, patternsOf, type Mark, type Scene } from '@tufa/draw';
import { memo, useId, type ComponentType, type PropsWithChildren } from 'react';
import Svg, { Defs, G, Path, Pattern, Rect, Text } from 'react-native-svg';
import { useSpeaker } from '../phone/speaker';
import { dress, speak } from './dress';

const GROUND: Record<string, string> = { wet: 'var(--pat-wet)', mortar: 'var(--pat-mortar)', stiff: 'var(--pat-stiff)', set: 'var(--pat-set)' };
const TAGS = { path: Path, rect: Rect, text: Text } as unknown as Record<Mark['tag'], ComponentType<PropsWithChildren>>;

/** `stroke-width` as the drawing library calls it. */
const camel = (attributes: Mark['attributes']): object =>
  Object.fromEntries(Object.entries(attributes).map(([name, value]) => [name.replace(/-(.)/g, (_, letter: string) => letter.toUpperCase()), value]));

/** The patterns a scene uses, as tiles of this picture. */
function Patterns({ scene, name }: { scene: Scene; name: (pattern: string, grain: number) => string }) {
  const used = patternsOf(scene);
  if (used.length === 0) return null;
  return (
    <Defs>
      {used.map(({ tile, grain }) => {
        const size = tile.size * grain;
        const id = name(tile.name, grain);
        return (
          <Pattern key={id} id={id} width={size} height={size} patternUnits="userSpaceOnUse">
            <Rect width={size} height={size} fill={GROUND[tile.name] ?? `var(--${tile.ground})`} />
            <G scale={grain}>
              <Path d={tile.marks} {...(tile.filled ? { fill: 'var(--pat-mark)' } : { fill: 'none', stroke: 'var(--pat-mark)', strokeWidth: 1.4 })} />
            </G>
          </Pattern>
        );
      })}
    </Defs>
  );
}

/** A scene of draw/ on the screen. `bare` is a layer over another picture, without a name of its own. */
export const SceneView = memo(function SceneView({ scene, bare = false }: { scene: Scene; bare?: boolean }) {
  const speaker = useSpeaker();
  const look = dress(speaker, `p${useId().replace(/[^a-zA-Z0-9]/g, '')}`);
  const named = bare ? { 'aria-hidden': true } : { role: 'img', 'aria-label': speak(speaker, scene.title) };
  return (
    <Svg width={scene.width} height={scene.height} viewBox={`0 0 ${scene.width} ${scene.height}`} style={{ flexShrink: 0 }} {...(named as object)}>
      <Patterns scene={scene} name={look.pattern} />
      {marksOf(scene, look).map(({ tag, attributes, text }, i) => {
        const Tag = TAGS[tag];
        return (
          <Tag key={i} {...camel(attributes)}>
            {text}
          </Tag>
        );
      })}
    </Svg>
  );
});
