import { round, type Pattern, type Scene, type Shape } from './scene';

/** A bar of the day: whose lane, from when to when, what is written on it. */
export interface DrawnBar {
  readonly lane: number;
  readonly start_s: number;
  readonly end_s: number;
  readonly text: string;
  readonly pattern: Pattern | null;
}

const NAME = 64;
const LANE = 58;
const BAR = 48;
const TOP = 6;
const AXIS = 26;

/** Where hours and lanes lie, and back. */
export function dayScale({ width, lanes, from_s, to_s }: { width: number; lanes: number; from_s: number; to_s: number }) {
  const room = width - NAME - 4;
  return {
    height: TOP + lanes * LANE + AXIS,
    toX: (s: number) => NAME + ((s - from_s) / Math.max(1, to_s - from_s)) * room,
    /** s that so many px are */
    toSeconds: (px: number) => (px / room) * (to_s - from_s),
    toY: (lane: number) => TOP + lane * LANE,
    bar: BAR,
  };
}

/** A day by hands: who is at what, and what the ground does meanwhile, over the hours. */
export function dayScene({
  width,
  lanes,
  bars,
  from_s,
  to_s,
}: {
  width: number;
  /** by name, from the top */
  lanes: readonly string[];
  bars: readonly DrawnBar[];
  from_s: number;
  to_s: number;
}): Scene {
  const scale = dayScale({ width, lanes: lanes.length, from_s, to_s });
  const axis = TOP + lanes.length * LANE;
  const every = to_s - from_s > 20 * 3600 ? 6 : to_s - from_s > 10 * 3600 ? 2 : 1;
  const hours = Array.from({ length: Math.floor(to_s / 3600) - Math.ceil(from_s / 3600) + 1 }, (_, i) => Math.ceil(from_s / 3600) + i);
  const fits = (text: string, px: number): boolean => text.length * 7.6 + 8 < px;
  return {
    width,
    height: scale.height,
    title: { code: 'draw.day' },
    shapes: [
      ...lanes.flatMap((name, lane): Shape[] => [
        { type: 'label', x: 0, y: round(scale.toY(lane) + BAR / 2 + 5), label: { text: name }, size: 15, weight: 700 },
        { type: 'path', d: `M${NAME} ${round(scale.toY(lane) + BAR + 6)}H${width}`, stroke: 'line', width: 1 },
      ]),
      ...bars.flatMap(({ lane, start_s, end_s, text, pattern }): Shape[] => {
        const [x, y] = [round(scale.toX(start_s)), round(scale.toY(lane))];
        const across = round(Math.max(3, scale.toX(end_s) - scale.toX(start_s)));
        const d = `M${x} ${y}h${across}v${BAR}h${-across}Z`;
        return [
          { type: 'path', d, fill: 'sheet', stroke: 'ink', width: 2 },
          ...(pattern ? [{ type: 'path' as const, d, pattern, stroke: 'ink' as const, width: 2 }] : []),
          ...(fits(text, across) ? [{ type: 'label' as const, x: x + 5, y: y + 19, label: { text }, size: 14, weight: 600, plate: true }] : []),
        ];
      }),
      { type: 'path', d: `M${NAME} ${axis}H${width}`, stroke: 'ink', width: 2 },
      ...hours.flatMap((hour): Shape[] => {
        const x = round(scale.toX(hour * 3600));
        const told = hour % every === 0;
        return [
          { type: 'path', d: `M${x} ${axis}v${told ? 7 : 4}`, stroke: 'ink', width: told ? 2 : 1 },
          ...(told
            ? [
                {
                  type: 'label' as const,
                  x,
                  y: axis + 22,
                  label: { text: String(hour % 24) },
                  size: 14,
                  anchor: x > width - 10 ? ('end' as const) : ('middle' as const),
                },
              ]
            : []),
        ];
      }),
    ],
  };
}
