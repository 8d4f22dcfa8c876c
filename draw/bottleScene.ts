import { ruledEdge } from './ruler';
import { pathOf, type Pattern, type Scene, type Shape } from './scene';

/** Room for the ruled edge. */
const RULER = 56;
/** The cylinder that holds the parts begins under the shoulder: of the drawing's height. */
const SHOULDER = 0.3;

/** What is filled up to a mark, and what the mark says. */
export interface BottleMark {
  /** of all that is in it by then, m3 */
  readonly level_m3: number;
  readonly text: string;
}

/** Parts as they are told apart without colour. */
const PARTS: readonly Pattern[] = ['wet', 'resin', 'sand'];

/** A squeeze bottle with its cumulative marks, part on part, to the scale of the bottle. */
export function bottleScene(input: {
  readonly width: number;
  readonly height: number;
  readonly bottle_m3: number;
  readonly marks: readonly BottleMark[];
  /** one unit of the ruled edge, m3, and its word */
  readonly unit_m3: number;
  readonly unit: string;
  /** the ruled edge stands on the left */
  readonly mirror?: boolean;
}): Scene {
  const { height, marks, mirror = false } = input;
  const width = input.width - RULER;
  const shift = mirror ? RULER : 0;
  const [left, right] = [shift + 6, shift + width - 6];
  const [top, shoulder, bottom] = [8, 8 + (height - 16) * SHOULDER, height - 8];
  const middle = (left + right) / 2;
  const neck = (right - left) * 0.16;
  const levelOf = (volume: number): number => bottom - Math.min(1, volume / input.bottle_m3) * (bottom - shoulder);
  const levels = marks.map(({ level_m3 }) => levelOf(level_m3));
  const fills = levels.map((y, i): Shape => ({
    type: 'path',
    d: pathOf([
      [left, y],
      [right, y],
      [right, levels[i - 1] ?? bottom],
      [left, levels[i - 1] ?? bottom],
    ]),
    pattern: PARTS[i] ?? 'sand',
  }));
  const outline = `M${middle - neck} ${top}L${middle - neck * 1.3} ${shoulder - 34}C${left} ${shoulder - 20} ${left} ${shoulder - 16} ${left} ${shoulder}V${bottom}H${right}V${shoulder}C${right} ${shoulder - 16} ${right} ${shoulder - 20} ${middle + neck * 1.3} ${shoulder - 34}L${middle + neck} ${top}Z`;
  const lines = levels.map((y): Shape => ({ type: 'path', d: `M${left - 4} ${y}H${right + 4}`, stroke: 'ink', width: 3 }));
  // Marks that lie close keep their words apart.
  let above = Infinity;
  const labels = levels.map((y, i): Shape => {
    above = Math.min(y - 8, above - 22);
    return { type: 'label', x: middle, y: above, label: { text: marks[i]!.text }, size: 14, weight: 700, anchor: 'middle', plate: true };
  });
  const units = input.bottle_m3 / input.unit_m3;
  return {
    width: input.width,
    height,
    title: { code: 'draw.bottle' },
    shapes: [
      ...fills,
      { type: 'path', d: outline, stroke: 'ink', width: 4 },
      ...lines,
      ...labels,
      ...ruledEdge({
        x: mirror ? RULER - 6 : width + 6,
        from: shoulder,
        to: bottom,
        zeroAt: bottom,
        perUnit: (bottom - shoulder) / units,
        major: units > 12 ? 5 : 2,
        minor: 1,
        unit: input.unit,
        upward: true,
        mirror,
      }),
    ],
  };
}
