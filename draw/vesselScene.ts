import { ruledEdge } from './ruler';
import { pathOf, type Scene, type Shape } from './scene';

/** Room for the ruled edge. */
const RULER = 56;

/** The pail with its fill lines: water first, the mixed batch above it, to the scale of the pail. */
export function vesselScene(input: {
  readonly width: number;
  readonly height: number;
  readonly pail_m3: number;
  readonly water_m3: number;
  readonly mixed_m3: number;
  /** one unit of the ruled edge, m3, and its word */
  readonly unit_m3: number;
  readonly unit: string;
  /** the ruled edge stands on the left */
  readonly mirror?: boolean;
}): Scene {
  const { height, mirror = false } = input;
  const width = input.width - RULER;
  const shift = mirror ? RULER : 0;
  const [top, bottom] = [8, height - 8];
  const taper = width * 0.08;
  const left = (y: number): number => shift + 4 + (taper * (y - top)) / (bottom - top);
  const right = (y: number): number => shift + width - 4 - (taper * (y - top)) / (bottom - top);
  const levelOf = (volume: number): number => bottom - Math.min(1, volume / input.pail_m3) * (bottom - top);
  const water = levelOf(input.water_m3);
  const mixed = levelOf(input.mixed_m3);
  const slice = (from: number, to: number): string =>
    pathOf([
      [left(from), from],
      [right(from), from],
      [right(to), to],
      [left(to), to],
    ]);
  const shapes: Shape[] = [
    { type: 'path', d: slice(mixed, water), pattern: 'mortar' },
    { type: 'path', d: slice(water, bottom), pattern: 'wet' },
    { type: 'path', d: `M${left(water)} ${water}H${right(water)}M${left(mixed)} ${mixed}H${right(mixed)}`, stroke: 'ink', width: 3 },
    { type: 'path', d: `M${left(top)} ${top}L${left(bottom)} ${bottom}H${right(bottom)}L${right(top)} ${top}`, stroke: 'ink', width: 4 },
    {
      type: 'label',
      x: shift + width / 2,
      y: Math.min(mixed - 8, water - 30),
      label: { code: 'draw.mixedLine' },
      size: 14,
      weight: 700,
      anchor: 'middle',
      plate: true,
    },
    {
      type: 'label',
      x: shift + width / 2,
      y: water - 8 < mixed + 14 ? water + 18 : water - 8,
      label: { code: 'draw.waterLine' },
      size: 14,
      weight: 700,
      anchor: 'middle',
      plate: true,
    },
  ];
  const units = input.pail_m3 / input.unit_m3;
  shapes.push(
    ...ruledEdge({
      x: mirror ? RULER - 6 : width + 6,
      from: top,
      to: bottom,
      zeroAt: bottom,
      perUnit: (bottom - top) / units,
      major: units > 12 ? 5 : 2,
      minor: 1,
      unit: input.unit,
      upward: true,
      mirror,
    }),
  );
  return { width: input.width, height, title: { code: 'draw.vessel' }, shapes };
}
