import { round, type Scene, type Shape } from './scene';

/** One way of ordering: what it is called, how likely it is to run short, what is left over of it. */
export interface OrderedWay {
  readonly text: string;
  /** 0 to 1 */
  readonly short: number;
  readonly shortText: string;
  readonly left_kg: number;
  readonly leftText: string;
}

const ROW = 46;
const HEAD = 22;

/** Orders of a product over one another: to the left how often each runs short, to the right how much of it is left over, each to its own scale. */
export function orderScene({ width, ways, short, left }: { width: number; ways: readonly OrderedWay[]; short: string; left: string }): Scene {
  const middle = Math.round(width * 0.4);
  const most_kg = Math.max(1e-9, ...ways.map(({ left_kg }) => left_kg));
  const room = { short: middle - 8, left: width - middle - 8 };
  const label = (x: number, y: number, text: string, anchor: 'start' | 'end', weight = 400): Shape => ({
    type: 'label',
    x,
    y,
    label: { text },
    size: 14,
    weight,
    anchor,
  });
  return {
    width,
    height: HEAD + ways.length * ROW,
    title: { code: 'draw.order' },
    shapes: [
      label(middle - 6, 14, short, 'end'),
      label(middle + 6, 14, left, 'start'),
      { type: 'path', d: `M${middle} ${HEAD}V${HEAD + ways.length * ROW}`, stroke: 'ink', width: 2 },
      ...ways.flatMap(({ text, short: chance, shortText, left_kg, leftText }, i): Shape[] => {
        const y = HEAD + i * ROW;
        const bars = { short: round(chance * room.short), left: round((left_kg / most_kg) * room.left) };
        return [
          { type: 'path', d: `M${middle} ${y + 24}h${-bars.short}v16h${bars.short}Z`, pattern: 'resin', stroke: 'ink', width: 1.5 },
          { type: 'path', d: `M${middle} ${y + 24}h${bars.left}v16h${-bars.left}Z`, pattern: 'sand', stroke: 'ink', width: 1.5 },
          label(0, y + 17, text, 'start', 700),
          label(middle - 6, y + 17, shortText, 'end'),
          label(middle + 6, y + 17, leftText, 'start'),
        ];
      }),
    ],
  };
}
