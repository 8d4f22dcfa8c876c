import { nicePace } from './ruler';
import { pathOf, type Scene, type Shape } from './scene';

export interface PlanSceneInput {
  readonly outline: readonly (readonly [number, number])[];
  readonly findings: readonly {
    readonly id: string;
    readonly label: string;
    readonly points: readonly (readonly [number, number])[];
    readonly depth?: string;
    readonly chosen?: boolean;
  }[];
  /** where it was tapped: an open ring is solid, a filled one hollow */
  readonly taps?: readonly { readonly at: readonly [number, number]; readonly hollow: boolean }[];
  /** where to tap next */
  readonly next?: readonly [number, number] | null;
  readonly width: number;
  readonly height: number;
  /** metres in one unit of the scale bar's measure: 1 for metres, 0.3048 for feet */
  readonly unit_m: number;
  readonly unit: string;
  /** a small picture for a list: no labels, no scale bar */
  readonly small?: boolean;
}

const MARGIN = 14;

/** Where metres on the element fall in the drawing, and back. */
export function planScale({ outline, width, height, small = false }: Pick<PlanSceneInput, 'outline' | 'width' | 'height' | 'small'>) {
  const xs = outline.map(([x]) => x);
  const ys = outline.map(([, y]) => y);
  const [left, top, right, bottom] = [Math.min(...xs), Math.min(...ys), Math.max(...xs), Math.max(...ys)];
  const margin = small ? 4 : MARGIN;
  const foot = small ? 0 : 26;
  const perMetre = Math.min((width - 2 * margin) / Math.max(right - left, 1e-6), (height - 2 * margin - foot) / Math.max(bottom - top, 1e-6));
  return {
    perMetre,
    toX: (x: number) => margin + (x - left) * perMetre,
    toY: (y: number) => margin + (y - top) * perMetre,
    fromX: (x: number) => (x - margin) / perMetre + left,
    fromY: (y: number) => (y - margin) / perMetre + top,
  };
}

/** The plan of an element with its findings, to scale. */
export function planScene(input: PlanSceneInput): Scene {
  const { outline, findings, width, height, unit_m, unit, small = false, taps = [], next = null } = input;
  const scale = planScale(input);
  const at = ([x, y]: readonly [number, number]): [number, number] => [scale.toX(x), scale.toY(y)];
  const shapes: Shape[] = [{ type: 'path', d: pathOf(outline.map(at)), fill: 'sheet', stroke: 'ink', width: small ? 2 : 3 }];
  for (const { points, label, depth, chosen = false } of findings) {
    if (points.length < 2) {
      for (const point of points) shapes.push(dot(at(point), 6, 'act'));
      continue;
    }
    shapes.push({
      type: 'path',
      d: pathOf(points.map(at), points.length > 2),
      pattern: 'mortar',
      grain: small ? 0.7 : 1,
      stroke: chosen ? 'act' : 'ink',
      width: small ? 1.5 : chosen ? 4 : 2.5,
    });
    if (small || (!label && !depth)) {
      if (chosen) for (const point of points) shapes.push(dot(at(point), 6, 'act'));
      continue;
    }
    if (chosen) for (const point of points) shapes.push(dot(at(point), 6, 'act'));
    const [cx, cy] = points.reduce(([sx, sy], [x, y]) => [sx + scale.toX(x) / points.length, sy + scale.toY(y) / points.length], [0, 0]);
    shapes.push({
      type: 'label',
      x: cx,
      y: cy + 6,
      label: { text: depth ? `${label}  ${depth}` : label },
      size: 16,
      weight: 700,
      anchor: 'middle',
      plate: true,
    });
  }
  for (const tap of taps) {
    const [x, y] = at(tap.at);
    if (tap.hollow) shapes.push(dot([x, y], 7, 'ink'));
    else shapes.push({ ...dot([x, y], 5, 'sheet'), stroke: 'ink', width: 2 } as Shape);
  }
  if (next) {
    const [x, y] = at(next);
    shapes.push({ ...dot([x, y], 12, 'sheet'), stroke: 'act', width: 4 } as Shape);
    shapes.push(dot([x, y], 4, 'act'));
  }
  if (!small) {
    const length = nicePace(width / 4 / scale.perMetre / unit_m);
    const from = MARGIN;
    const to = from + length * unit_m * scale.perMetre;
    const y = height - 10;
    shapes.push({ type: 'path', d: `M${from} ${y - 6}V${y + 4}M${from} ${y}H${to}M${to} ${y - 6}V${y + 4}`, stroke: 'ink', width: 2 });
    shapes.push({ type: 'label', x: to + 8, y: y + 5, label: { text: `${length} ${unit}` }, size: 14, paint: 'faint' });
  }
  return { width, height, title: { code: 'draw.plan', figures: { count: findings.length } }, shapes };
}

const dot = ([x, y]: [number, number], r: number, fill: 'act' | 'ink' | 'sheet'): Shape => ({
  type: 'path',
  d: `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`,
  fill,
});
