import type { PlainCode } from './LabelFigures';
import { pathOf, round, type Scene, type Shape } from './scene';

/** A batch's life as a lying column: what the plan gave for placing and for the tool, and the marks of what happened. */
export function lifeScene(input: {
  width: number;
  height: number;
  planPlace_s: number;
  planFinish_s: number;
  placed_s: number | null;
  ended_s: number | null;
  lost: boolean;
}): Scene {
  const { width, planPlace_s, planFinish_s, placed_s, ended_s, lost } = input;
  const most = Math.max(planFinish_s, placed_s ?? 0, ended_s ?? 0) * 1.12;
  const x = (time_s: number): number => round((time_s / most) * width);
  const [top, bottom] = [20, 44];
  const slab = (from: number, to: number, pattern: 'wet' | 'mortar' | 'stiff'): Shape => ({
    type: 'path',
    d: pathOf([
      [x(from), top],
      [x(to), top],
      [x(to), bottom],
      [x(from), bottom],
    ]),
    pattern,
    stroke: 'ink',
    width: 1.5,
  });
  const shapes: Shape[] = [slab(0, planPlace_s, 'wet'), slab(planPlace_s, Math.max(planFinish_s, planPlace_s), 'mortar'), slab(planFinish_s, most, 'stiff')];
  const mark = (time_s: number, code: PlainCode, y: number, paint: 'ink' | 'stop'): void => {
    const at = x(time_s);
    shapes.push({ type: 'path', d: `M${at} ${top - 6}V${bottom + 6}`, stroke: paint, width: 4 });
    shapes.push({ type: 'label', x: Math.min(Math.max(at, 30), width - 40), y, label: { code }, size: 14, weight: 700, anchor: 'middle', paint });
  };
  if (placed_s !== null) mark(placed_s, 'draw.placedMark', 13, 'ink');
  if (ended_s !== null) mark(ended_s, lost ? 'draw.hardMark' : 'draw.finishedMark', 61, lost ? 'stop' : 'ink');
  return { width, height: input.height, title: { code: 'draw.life', figures: { planPlace_s, planFinish_s } }, shapes };
}
