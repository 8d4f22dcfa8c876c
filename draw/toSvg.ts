import { marksOf, type Speak } from './marksOf';
import type { Paint, Scene } from './scene';

const escape = (text: string): string => text.replace(/[&<>"]/g, (c) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[c] ?? c);

/** The same scene as a standalone SVG text, its paints as the given colours. */
export function toSvg({ scene, speak, colours }: { scene: Scene; speak: Speak; colours: Readonly<Record<Exclude<Paint, 'none'>, string>> }): string {
  const name = (pattern: string, grain: number): string => (grain === 1 ? pattern : `${pattern}${grain}`);
  const marks = marksOf(scene, { speak, colour: (paint) => colours[paint], pattern: name }).map(({ tag, attributes, text }) => {
    const written = Object.entries(attributes).map(([key, value]) => ` ${key}="${escape(String(value))}"`);
    return `<${tag}${written.join('')}${text === undefined ? '/>' : `>${escape(text)}</${tag}>`}`;
  });
  const defs = patternsOf(scene).map(({ tile, grain }) => {
    const { size, marks: d, ground, filled } = tile;
    const style = filled ? `fill="${colours.ink}"` : `fill="none" stroke="${colours.ink}" stroke-width="1.4"`;
    const under = ground === 'none' ? 'none' : colours[ground];
    const side = size * grain;
    return `<pattern id="${name(tile.name, grain)}" width="${side}" height="${side}" patternUnits="userSpaceOnUse"><rect width="${side}" height="${side}" fill="${under}"/><path transform="scale(${grain})" d="${d}" ${style}/></pattern>`;
  });
  return `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${scene.width} ${scene.height}" width="${scene.width}" height="${scene.height}" role="img" aria-label="${escape(speak(scene.title))}"><defs>${defs.join('')}</defs>${marks.join('')}</svg>`;
}

/** The patterns a scene uses, each once for every grain. */
export function patternsOf(scene: Scene): { readonly tile: (typeof PATTERN_TILES)[number]; readonly grain: number }[] {
  const used = new Map<string, { name: string; grain: number }>();
  for (const shape of scene.shapes)
    if (shape.type === 'path' && shape.pattern) used.set(`${shape.pattern}${shape.grain ?? 1}`, { name: shape.pattern, grain: shape.grain ?? 1 });
  return [...used.values()].flatMap(({ name, grain }) => PATTERN_TILES.filter((tile) => tile.name === name).map((tile) => ({ tile, grain })));
}

const spot = (x: number, y: number, r: number): string => `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0`;

/** One tile of every pattern, shared by the screen and by files. Darker ground is wetter. */
export const PATTERN_TILES: readonly {
  readonly name: string;
  readonly size: number;
  readonly marks: string;
  readonly ground: Paint;
  readonly filled: boolean;
  readonly tint: number;
}[] = [
  {
    name: 'mortar',
    size: 28,
    filled: true,
    ground: 'sunk',
    tint: 0.24,
    marks: [
      [4, 5, 1.4],
      [15, 3, 0.9],
      [23, 8, 1.6],
      [9, 13, 1],
      [18, 16, 1.4],
      [3, 21, 1.1],
      [13, 24, 1.6],
      [25, 22, 0.9],
      [20, 27, 0.7],
    ]
      .map(([x, y, r]) => spot(x!, y!, r!))
      .join(''),
  },
  {
    name: 'aggregate',
    size: 64,
    filled: false,
    ground: 'sunk',
    tint: 0,
    marks: 'M8 10l7-3 6 5-2 8-8 1-5-5zM40 6l5 2 1 6-6 2-4-5zM28 34l9-2 5 7-5 8-9-2-3-6zM52 44l6 1 1 6-6 3-4-5zM10 50l5-2 4 4-3 5-6-2z',
  },
  { name: 'resin', size: 10, filled: false, ground: 'sheet', tint: 0, marks: 'M-2 12L12 -2M-2 2L2 -2M8 12L12 8' },
  { name: 'sand', size: 8, filled: true, ground: 'sheet', tint: 0, marks: spot(2, 2, 0.8) + spot(6, 6, 0.8) },
  { name: 'wet', size: 24, filled: false, ground: 'sunk', tint: 0.36, marks: 'M0 6q6-5 12 0t12 0M0 18q6-5 12 0t12 0' },
  { name: 'stiff', size: 16, filled: false, ground: 'sunk', tint: 0.1, marks: 'M-2 18L18 -2M-2 2L2 -2M14 18L18 14' },
  { name: 'set', size: 40, filled: true, ground: 'sunk', tint: 0, marks: spot(10, 10, 0.7) + spot(30, 26, 0.7) },
  { name: 'courses', size: 40, filled: false, ground: 'sunk', tint: 0, marks: 'M0 0H40M0 20H40M10 0V20M30 20V40' },
  { name: 'air', size: 8, filled: true, ground: 'ground', tint: 0, marks: '' },
];
