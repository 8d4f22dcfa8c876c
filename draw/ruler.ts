import type { Shape } from './scene';

/** The nearest 1, 2 or 5 times a power of ten at or below a length. @example nicePace(0.7) // 0.5 */
export function nicePace(length: number): number {
  const power = 10 ** Math.floor(Math.log10(Math.max(length, 1e-9)));
  const share = length / power;
  const pace = share >= 5 ? 5 : share >= 2 ? 2 : 1;
  return Number((pace * power).toPrecision(6));
}

/**
 * The ruled edge: a scale down the side where a screen measures. Long marks carry figures, short ones divide them.
 *
 * @param perUnit drawing units for one unit of the measure
 */
export function ruledEdge(input: {
  x: number;
  from: number;
  to: number;
  perUnit: number;
  major: number;
  minor: number;
  zeroAt?: number;
  labels?: boolean;
  mirror?: boolean;
  /** written after the zero, so that no figure stands without its unit */
  unit?: string;
  /** counts upward from the zero, as a pail fills */
  upward?: boolean;
}): Shape[] {
  const { x, from, to, perUnit, major, minor, zeroAt = from, labels = true, mirror = false, unit = '', upward = false } = input;
  const shapes: Shape[] = [];
  const side = mirror ? -1 : 1;
  let d = `M${x} ${from}V${to}`;
  const first = Math.ceil((from - zeroAt) / perUnit / minor - 1e-9);
  for (let i = first; zeroAt + i * minor * perUnit <= to + 1e-6 && shapes.length < 60; i += 1) {
    const y = zeroAt + i * minor * perUnit;
    const isMajor = Math.abs((i * minor) / major - Math.round((i * minor) / major)) < 1e-6;
    d += `M${x} ${Math.round(y * 100) / 100}h${side * (isMajor ? 18 : 8)}`;
    if (isMajor && labels)
      shapes.push({
        type: 'label',
        x: x + side * 22,
        y: y + 5,
        label: { text: `${Number((upward ? -i * minor : i * minor).toFixed(3)) + 0}${i === 0 && unit ? ` ${unit}` : ''}` },
        size: 14,
        weight: 600,
        anchor: mirror ? 'end' : 'start',
      });
  }
  return [{ type: 'path', d, stroke: 'ink', width: 2 }, ...shapes];
}
