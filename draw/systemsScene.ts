import type { PlainCode } from './LabelFigures';
import { pathOf, round, type Label, type Scene, type Shape } from './scene';

/** One system as its bar wants it: what it is called, and its parts in minor units. */
export interface SystemBar {
  readonly number: string;
  readonly name: string;
  readonly material_minor: number;
  readonly labour_minor: number;
  /** trips, tools and disposal together */
  readonly rest_minor: number;
  readonly low_minor: number;
  readonly high_minor: number;
  /** the one to take */
  readonly best: boolean;
}

const ROW = 64;
const BAR = 24;

/** Height that so many systems take. */
export const systemsHeight = (count: number): number => count * ROW + 28;

/**
 * Whole costs side by side, one lying bar each: material stippled as it is in every drawing, hands solid, trips with
 * tools and disposal blank; the range as a span under it.
 */
export function systemsScene({ bars, width }: { bars: readonly SystemBar[]; width: number }): Scene {
  const height = systemsHeight(bars.length);
  const most = Math.max(
    1,
    ...bars.map(({ material_minor, labour_minor, rest_minor, high_minor }) => Math.max(material_minor + labour_minor + rest_minor, high_minor)),
  );
  const x = (minor: number): number => round((minor / most) * (width - 4)) + 2;
  const shapes = bars.flatMap((bar, i): Shape[] => {
    const top = i * ROW + 22;
    const ends = [bar.material_minor, bar.material_minor + bar.labour_minor, bar.material_minor + bar.labour_minor + bar.rest_minor];
    const box = (from: number, to: number): string =>
      pathOf([
        [x(from), top],
        [x(to), top],
        [x(to), top + BAR],
        [x(from), top + BAR],
      ]);
    const [material, hands, all] = ends as [number, number, number];
    const stroke = { stroke: 'ink', width: bar.best ? 3 : 1.5 } as const;
    const name: Label = { code: 'draw.systemBar', figures: { number: bar.number, name: bar.name, total_minor: Math.round(all / 100) * 100 } };
    return [
      { type: 'label', x: 2, y: top - 7, label: name, size: 15, weight: bar.best ? 700 : 500 },
      { type: 'path', d: box(0, material), pattern: 'mortar', grain: 0.6, ...stroke },
      { type: 'path', d: box(material, hands), fill: 'ink', ...stroke },
      { type: 'path', d: box(hands, all), fill: 'sheet', ...stroke },
      {
        type: 'path',
        d: `M${x(bar.low_minor)} ${top + BAR + 6}H${x(bar.high_minor)}M${x(bar.low_minor)} ${top + BAR + 2}v8M${x(bar.high_minor)} ${top + BAR + 2}v8`,
        stroke: 'edge',
        width: 2,
      },
    ];
  });
  const y = bars.length * ROW + 4;
  const swatch = (at: number, look: Pick<Extract<Shape, { type: 'path' }>, 'fill' | 'pattern' | 'grain'>, code: PlainCode): Shape[] => [
    { type: 'path', d: `M${at + 2} ${y}h16v16h-16Z`, stroke: 'ink', width: 1.5, ...look },
    { type: 'label', x: at + 24, y: y + 13, label: { code }, size: 14, weight: 500 },
  ];
  shapes.push(
    ...swatch(0, { pattern: 'mortar', grain: 0.6 }, 'draw.barMaterial'),
    ...swatch(94, { fill: 'ink' }, 'draw.barHands'),
    ...swatch(168, { fill: 'sheet' }, 'draw.barRest'),
  );
  return { width, height, title: { code: 'draw.systems', figures: { count: bars.length } }, shapes };
}
