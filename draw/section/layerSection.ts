import type { SystemSection } from '@tufa/core/plan';
import { pathOf, type Shape } from '../scene';
import { baseLabel, basePaint, coatLine, filling, interfaceLine, nameLabel, overLabels, slabLabel } from './common';
import { baseBelow, type Drawn, frameOf, labelAt, type SectionView } from './frame';

type Skim = Extract<SystemSection, { kind: 'skim' }>;
type Counter = Extract<SystemSection, { kind: 'counter' }>;

/** Peaks of a prepared surface across the drawing, as high as its texture. */
function peaks({ left, right, y, high }: { left: number; right: number; y: number; high: number }): [number, number][] {
  const count = Math.max(8, Math.round((right - left) / 14));
  return Array.from({ length: count + 1 }, (_, i) => [left + ((right - left) * i) / count, y + (i % 2 === 0 ? 0 : Math.min(high, 26))]);
}

/** A skim or an overlay over the peaks of its base. */
export function skimSection(section: Skim, view: SectionView): Drawn {
  const frame = frameOf(view, section);
  const { left, right, bottom } = frame;
  const top = frame.top + 4;
  const perMetre = ((bottom - top) * 0.34) / section.layer_m;
  const y = top + section.layer_m * perMetre;
  const surface = peaks({ left, right, y, high: section.texture_m * perMetre });
  const { shapes: base, end } = baseBelow({ frame, surface, under: y + section.thickness_m * perMetre, paint: basePaint(section) });
  const layer = pathOf([[left, top], [right, top], ...[...surface].reverse()]);
  const shapes: Shape[] = [
    ...base,
    filling(section, layer, perMetre),
    interfaceLine(section, pathOf(surface, false)),
    ...coatLine(section, `M${left} ${top - 4}H${right}`),
  ];
  return {
    shapes,
    labels: [
      ...overLabels(section),
      nameLabel(section, top + (y - top) * 0.42),
      labelAt('draw.layerDeep', { layer_m: section.layer_m }, { more: true, y: top + (y - top) * 0.42 + 24, size: 15 }),
      baseLabel(section, y + 48),
      slabLabel(section, bottom - 20),
    ],
    zero: top,
    end,
    perMetre,
  };
}

/** A countertop, cast or overlaid, with its dropped edge. */
export function counterSection(section: Counter, view: SectionView): Drawn {
  const frame = frameOf(view, section);
  const { left, right, bottom } = frame;
  const { layer_m, drop_m, across_m } = section;
  const top = frame.top + 4;
  const tall = Math.max(layer_m + drop_m, layer_m * 1.6);
  const perMetre = ((bottom - top) * 0.62) / tall;
  const y = top + layer_m * perMetre;
  const edge = right - Math.min(Math.max(across_m * perMetre, drop_m > 0 ? 12 : 0), (right - left) * 0.3) - 16;
  const outer = right - 16;
  const low = y + drop_m * perMetre;
  const cast = pathOf([
    [left, top],
    [outer, top],
    [outer, low],
    [edge, low],
    [edge, y],
    [left, y],
  ]);
  // What carries it: the cabinet, or the base it is laid on.
  const { shapes: base, end } = baseBelow({
    frame,
    surface: [
      [left, y],
      [drop_m > 0 ? edge - 8 : outer, y],
    ],
    under: bottom + 1,
    paint: basePaint(section),
  });
  const shapes: Shape[] = [
    ...base,
    filling(section, cast, perMetre),
    interfaceLine(section, `M${left} ${y}H${drop_m > 0 ? edge - 8 : outer}`),
    ...coatLine(section, `M${left} ${top - 4}H${outer}`),
  ];
  return {
    shapes,
    labels: [
      ...overLabels(section),
      nameLabel(section, top + (y - top) * 0.42),
      labelAt('draw.layerDeep', { layer_m }, { more: true, y: top + (y - top) * 0.42 + 24, size: 15 }),
      baseLabel(section, y + 34),
      ...(drop_m > 0 ? [labelAt('draw.drop', { drop_m }, { y: low - 4, size: 15 })] : []),
      labelAt('draw.carried', {}, { y: bottom - 20, size: 15 }),
    ],
    zero: top,
    end: Math.max(low, Math.min(end, bottom)),
    perMetre,
  };
}
