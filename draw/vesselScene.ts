import { pathOf, type Scene, type Shape } from './scene';

/** The pail with its fill lines: water first, the mixed batch above it, to the scale of the pail. */
export function vesselScene(input: {
  readonly width: number;
  readonly height: number;
  readonly pail_m3: number;
  readonly water_m3: number;
  readonly mixed_m3: number;
}): Scene {
  const { width, height } = input;
  const [top, bottom] = [8, height - 8];
  const taper = width * 0.08;
  const left = (y: number): number => 4 + (taper * (y - top)) / (bottom - top);
  const right = (y: number): number => width - 4 - (taper * (y - top)) / (bottom - top);
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
    { type: 'path', d: `M4 ${top}L${left(bottom)} ${bottom}H${right(bottom)}L${width - 4} ${top}`, stroke: 'ink', width: 4 },
    {
      type: 'label',
      x: width / 2,
      y: Math.min(mixed - 8, water - 30),
      label: { code: 'draw.mixedLine' },
      size: 14,
      weight: 700,
      anchor: 'middle',
      plate: true,
    },
    {
      type: 'label',
      x: width / 2,
      y: water - 8 < mixed + 14 ? water + 18 : water - 8,
      label: { code: 'draw.waterLine' },
      size: 14,
      weight: 700,
      anchor: 'middle',
      plate: true,
    },
  ];
  return { width, height, title: { code: 'draw.vessel' }, shapes };
}
