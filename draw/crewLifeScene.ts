import { pathOf, round, type Scene, type Shape } from './scene';

/** A life that was logged: s at a temperature, without its retarder. */
export interface LifePoint {
  readonly temperature_C: number;
  readonly life_s: number;
  /** it would have lived longer */
  readonly censored: boolean;
  /** set aside by a person */
  readonly aside: boolean;
}

/** A temperature under the picture takes so much to either side, px. */
const TICK_ROOM = 22;

interface Curve {
  readonly temperature_C: number;
  readonly sheet_s: number;
  readonly yours: { readonly p10: number; readonly p50: number; readonly p90: number } | null;
}

interface Tick {
  readonly at: number;
  readonly text: string;
}

/** How long a product works over temperature: the sheet's line, the crew's own with the band that eight in ten of what comes next lie in, and every batch: a dot for a life, an arrow up for one that would have lived longer, a cross for one set aside. */
export function crewLifeScene(input: {
  readonly width: number;
  readonly height: number;
  readonly curve: readonly Curve[];
  readonly points: readonly LifePoint[];
  /** written under and beside it, at degC and at s */
  readonly across: readonly Tick[];
  readonly up: readonly Tick[];
  /** of what is written beside it */
  readonly unit: string;
}): Scene {
  const { width, height, curve, points, across, up } = input;
  const [left, right, top, bottom] = [34, width - 8, 10, height - 24];
  const from_C = curve[0]!.temperature_C;
  const to_C = curve.at(-1)!.temperature_C;
  const lives = [...curve.flatMap(({ sheet_s, yours }) => [sheet_s, ...(yours ? [yours.p10, yours.p90] : [])]), ...points.map(({ life_s }) => life_s)];
  const [least, most] = [Math.log(Math.min(...lives) * 0.85), Math.log(Math.max(...lives) * 1.15)];
  const x = (temperature_C: number): number => round(left + ((Math.min(to_C, Math.max(from_C, temperature_C)) - from_C) / (to_C - from_C)) * (right - left));
  const y = (s: number): number => round(bottom - ((Math.log(s) - least) / (most - least)) * (bottom - top));
  const shapes: Shape[] = [];
  const yourLine = curve.flatMap(({ temperature_C, yours }) => (yours ? [{ temperature_C, ...yours }] : []));
  if (yourLine.length > 1)
    shapes.push({
      type: 'path',
      d: pathOf([
        ...yourLine.map(({ temperature_C, p90 }) => [x(temperature_C), y(p90)] as const),
        ...[...yourLine].reverse().map(({ temperature_C, p10 }) => [x(temperature_C), y(p10)] as const),
      ]),
      pattern: 'mortar',
    });
  for (const { at, text } of up) {
    if (Math.log(at) < least || Math.log(at) > most) continue;
    shapes.push({ type: 'path', d: `M${left} ${y(at)}H${right}`, stroke: 'line', width: 1 });
    shapes.push({ type: 'label', x: left - 6, y: y(at) + 5, label: { text }, size: 14, anchor: 'end', paint: 'faint' });
  }
  for (const { at, text } of across) {
    // What would run over the edge is left out.
    if (at < from_C || at > to_C || x(at) > right - TICK_ROOM || x(at) < left + TICK_ROOM / 2) continue;
    shapes.push({ type: 'label', x: x(at), y: height - 6, label: { text }, size: 14, anchor: 'middle', paint: 'faint' });
  }
  shapes.push({
    type: 'path',
    d: pathOf(
      curve.map(({ temperature_C, sheet_s }) => [x(temperature_C), y(sheet_s)] as const),
      false,
    ),
    stroke: 'ink',
    width: 2,
    dash: '6 5',
  });
  if (yourLine.length > 1)
    shapes.push({
      type: 'path',
      d: pathOf(
        yourLine.map(({ temperature_C, p50 }) => [x(temperature_C), y(p50)] as const),
        false,
      ),
      stroke: 'ink',
      width: 3.5,
    });
  for (const { temperature_C, life_s, censored, aside } of points) {
    const [px, py] = [x(temperature_C), y(life_s)];
    if (aside) shapes.push({ type: 'path', d: `M${px - 5} ${py - 5}L${px + 5} ${py + 5}M${px + 5} ${py - 5}L${px - 5} ${py + 5}`, stroke: 'stop', width: 2 });
    else if (censored)
      shapes.push({ type: 'path', d: `M${px} ${py}V${py - 12}M${px - 4} ${py - 7}L${px} ${py - 12}L${px + 4} ${py - 7}`, stroke: 'ink', width: 2 });
    else shapes.push({ type: 'path', d: `M${px - 5} ${py}A5 5 0 1 0 ${px + 5} ${py}A5 5 0 1 0 ${px - 5} ${py}Z`, fill: 'ink', stroke: 'sheet', width: 1 });
  }
  shapes.push({ type: 'label', x: left + 8, y: bottom - 8, label: { text: input.unit }, size: 14, anchor: 'start', paint: 'faint', plate: true });
  shapes.push({ type: 'path', d: `M${left} ${top}V${bottom}H${right}`, stroke: 'ink', width: 2 });
  return { width, height, title: { code: 'draw.crewLife' }, shapes };
}
