import { pathOf, type Pattern, type Scene, type Shape } from './scene';

/** Lives at a few temperatures, and the room for them. */
export interface ImpliedSceneInput {
  readonly lives: readonly {
    readonly temperature_C: number;
    readonly flow_s: number;
    readonly finish_s: number;
    readonly milestones: { readonly initial?: number };
  }[];
  readonly width: number;
  readonly height: number;
  /** prints a temperature */
  readonly degrees: (temperature_C: number) => string;
}

const TOP = 26;
const FOOT = 6;

/** The strata of a sheet at a few temperatures: time downward, a column each, flows, finishes and stiffening in the patterns of the day's drawing. */
export function impliedScene({ lives, width, height, degrees }: ImpliedSceneInput): Scene {
  const room = height - TOP - FOOT;
  const longest = Math.max(...lives.map(({ finish_s, milestones }) => Math.max(finish_s, milestones.initial ?? 0)));
  const each = width / lives.length;
  const y = (at_s: number): number => TOP + (at_s / longest) * room;
  const shapes = lives.flatMap(({ temperature_C, flow_s, finish_s, milestones }, i): Shape[] => {
    const [left, right] = [i * each + 4, (i + 1) * each - 4];
    const sets_s = Math.max(finish_s, milestones.initial ?? finish_s);
    const band = (from: number, to: number, pattern: Pattern): Shape => ({
      type: 'path',
      d: pathOf([
        [left, y(from)],
        [right, y(from)],
        [right, y(to)],
        [left, y(to)],
      ]),
      pattern,
      stroke: 'ink',
      width: 2,
    });
    const word = (from: number, to: number, code: 'draw.impliedFlows' | 'draw.impliedFinishes' | 'draw.impliedSets', seconds: number): Shape[] =>
      y(to) - y(from) < 20
        ? []
        : [{ type: 'label', x: left + 8, y: (y(from) + y(to)) / 2 + 5, label: { code, figures: { t_s: seconds } }, size: 14, weight: 700, plate: true }];
    return [
      { type: 'label', x: (left + right) / 2, y: 16, label: { text: degrees(temperature_C) }, size: 15, weight: 700, anchor: 'middle' },
      band(0, flow_s, 'wet'),
      ...(finish_s > flow_s ? [band(flow_s, finish_s, 'mortar')] : []),
      ...(sets_s > finish_s ? [band(finish_s, sets_s, 'stiff')] : []),
      ...word(0, flow_s, 'draw.impliedFlows', flow_s),
      ...word(flow_s, finish_s, 'draw.impliedFinishes', finish_s),
      ...word(finish_s, sets_s, 'draw.impliedSets', sets_s),
    ];
  });
  return { width, height, title: { code: 'draw.implied' }, shapes };
}
