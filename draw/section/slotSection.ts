import type { SystemSection } from '@tufa/core/plan';
import { pathOf, type Shape } from '../scene';
import { baseLabel, basePaint, coatLine, filling, interfaceLine, nameLabel, overLabels, slabLabel } from './common';
import { baseBelow, type Drawn, frameOf, type LabelAt, labelAt, type SectionView } from './frame';

type Crack = Extract<SystemSection, { kind: 'crack' }>;
type Groove = Extract<SystemSection, { kind: 'groove' }>;

/** A slot is never drawn narrower than can be seen. */
const NARROWEST = 9;

interface Slot {
  readonly shapes: Shape[];
  readonly middle: number;
  readonly half: number;
  readonly top: number;
  readonly y: (depth_m: number) => number;
  readonly end: number;
  readonly perMetre: number;
  readonly widened: boolean;
  readonly x: number;
}

/** A cleft in its slab, left of the middle so that its labels have room beside it. */
function slotIn(section: Crack | Groove, view: SectionView, depth_m: number, vee: boolean): Slot {
  const frame = frameOf(view, section);
  const { left, right, bottom } = frame;
  const top = frame.top + 22;
  const perMetre = ((bottom - top) * 0.62) / depth_m;
  const wide = section.width_m * perMetre;
  const half = Math.min(Math.max(wide, NARROWEST), (right - left) * 0.2) / 2;
  const middle = left + (right - left) * 0.14;
  const y = (depth: number): number => top + depth * perMetre;
  const { shapes: base, end } = baseBelow({
    frame,
    surface: [
      [left, top],
      [right, top],
    ],
    under: y(section.thickness_m),
    paint: basePaint(section),
  });
  const bottomHalf = vee ? 1 : half;
  const cleft = pathOf([
    [middle - half, top],
    [middle - bottomHalf, y(depth_m)],
    [middle + bottomHalf, y(depth_m)],
    [middle + half, top],
  ]);
  const shapes: Shape[] = [...base, { type: 'path', d: cleft, fill: 'ground', stroke: 'ink', width: 2 }];
  return { shapes, middle, half, top, y, end, perMetre, widened: wide < NARROWEST, x: left + (right - left) * 0.3 };
}

/** Part of a slot between two depths, its sides as the slot's. */
function partOf({ middle, half, y }: Slot, { from_m, to_m, depth_m, vee }: { from_m: number; to_m: number; depth_m: number; vee: boolean }): string {
  const at = (depth: number): number => (vee ? 1 + (half - 1) * (1 - depth / depth_m) : half);
  return pathOf([
    [middle - at(from_m), y(from_m)],
    [middle + at(from_m), y(from_m)],
    [middle + at(to_m), y(to_m)],
    [middle - at(to_m), y(to_m)],
  ]);
}

/** A crack with what goes into it: bed and cap, resin with sand, neat, a filler, a mortar, or the joint it is cut to. */
export function crackSection(section: Crack, view: SectionView): Drawn {
  const vee = section.profile === 'vee';
  const { depth_m, width_m, method } = section;
  const slot = slotIn(section, view, depth_m, vee);
  const { middle, half, top, y, x } = slot;
  const frame = frameOf(view, section);
  const part = (from_m: number, to_m: number): string => partOf(slot, { from_m, to_m, depth_m, vee });
  const cap_m = Math.min(section.cap_m, depth_m);
  const shapes: Shape[] = [...slot.shapes];
  const labels: LabelAt[] = [];
  const lead = (depth: number): [number, number] => [middle + half * 0.6, y(depth)];
  if (method === 'bedAndCap') {
    shapes.push({ type: 'path', d: part(cap_m, depth_m), pattern: 'sand', stroke: 'ink', width: 2 }, filling(section, part(0, cap_m), slot.perMetre));
    labels.push(
      nameLabel(section, y(cap_m / 2) + 16, { x, leadTo: lead(cap_m / 2) }),
      labelAt('draw.cap', { cap_m }, { more: true, y: y(cap_m / 2) + 40, size: 15, x }),
      labelAt('draw.bed', { bed_m: depth_m - cap_m }, { y: y((cap_m + depth_m) / 2), size: 15, x, leadTo: lead((cap_m + depth_m) / 2) }),
    );
  } else if (section.sealant_m !== null && section.rod_m !== null) {
    shapes.push(...sealed(slot, section.sealant_m, section.rod_m, section));
    labels.push(...sealedLabels(slot, section, section.sealant_m, section.rod_m));
  } else {
    shapes.push(filling(section, part(0, depth_m), slot.perMetre));
    if (method === 'sandInResin') shapes.push({ type: 'path', d: part(depth_m * 0.12, depth_m), pattern: 'sand' });
    labels.push(
      nameLabel(section, y(depth_m * 0.3), { x, leadTo: lead(depth_m * 0.3) }),
      labelAt(`draw.crack.${method === 'joint' ? 'openGroove' : method}`, { depth_m }, { more: true, y: y(depth_m * 0.3) + 24, size: 15, x }),
    );
  }
  labels.push(labelAt(slot.widened ? 'draw.widened' : 'draw.wide', { width_m }, { more: true, y: top - 4, size: 14, x: middle + half + 8 }));
  if (section.crown_m > 0) {
    const high = Math.min(14, Math.max(5, section.crown_m * slot.perMetre));
    shapes.push({
      type: 'path',
      d: `M${middle - half - 8} ${top}Q${middle} ${top - 2 * high} ${middle + half + 8} ${top}Z`,
      pattern: section.fill,
      stroke: 'ink',
      width: 2,
    });
    labels.push(labelAt('draw.crown', { crown_m: section.crown_m }, { more: true, y: y(depth_m) + 6, size: 14, x }));
  }
  shapes.push(interfaceLine(section, `M${middle - half} ${top + 2}V${y(depth_m)}M${middle + half} ${top + 2}V${y(depth_m)}`, true));
  labels.push(...overLabels(section), baseLabel(section, y(depth_m) + 28, { more: true, x }), slabLabel(section, frame.bottom - 20));
  return { shapes, labels, zero: top, end: slot.end, perMetre: slot.perMetre };
}

/** A sealant over its rod: twice as wide as deep, held at its sides alone. */
function sealed(slot: Slot, sealant_m: number, rod_m: number, section: Pick<SystemSection, 'fill' | 'grain_m'>): Shape[] {
  const { middle, half, y, perMetre } = slot;
  const deep = Math.max(8, sealant_m * perMetre);
  const top = y(0);
  const radius = Math.min(half * 1.12, (rod_m * perMetre) / 2);
  const seal = `M${middle - half} ${top}V${top + deep}Q${middle} ${top + deep - radius * 0.5} ${middle + half} ${top + deep}V${top}Q${middle} ${top + 5} ${middle - half} ${top}Z`;
  const cy = top + deep + radius * 0.62;
  const rod = `M${middle - radius} ${cy}a${radius} ${radius * 0.9} 0 1 0 ${2 * radius} 0a${radius} ${radius * 0.9} 0 1 0 ${-2 * radius} 0Z`;
  return [
    { type: 'path', d: rod, fill: 'sheet', stroke: 'ink', width: 2.5 },
    { type: 'path', d: `M${middle - radius * 0.5} ${cy}h${radius}M${middle} ${cy - radius * 0.45}v${radius * 0.9}`, stroke: 'edge', width: 1.5 },
    filling(section, seal, perMetre),
  ];
}

const sealedLabels = ({ middle, half, y, x, perMetre }: Slot, section: Pick<SystemSection, 'name'>, sealant_m: number, rod_m: number): LabelAt[] => [
  nameLabel(section, y(0) + 22, { x, leadTo: [middle + half * 0.6, y(sealant_m / 2)] }),
  labelAt('draw.sealant', { sealant_m }, { more: true, y: y(0) + 46, size: 15, x }),
  labelAt('draw.rod', { rod_m }, { y: y(0) + 74, size: 15, x, leadTo: [middle + half * 0.6, y(0) + Math.max(8, sealant_m * perMetre) + half * 0.6] }),
];

/** A groove or a joint: sealant over a rod where it moves, filled where it does not. */
export function grooveSection(section: Groove, view: SectionView): Drawn {
  const { depth_m, width_m, sealant_m, rod_m } = section;
  const slot = slotIn(section, view, depth_m, false);
  const frame = frameOf(view, section);
  const { middle, half, top, y, x } = slot;
  const shapes: Shape[] = [...slot.shapes];
  const labels: LabelAt[] = [labelAt(slot.widened ? 'draw.widened' : 'draw.wide', { width_m }, { more: true, y: top - 4, size: 14, x: middle + half + 8 })];
  if (sealant_m !== null && rod_m !== null) {
    shapes.push(...sealed(slot, sealant_m, rod_m, section));
    labels.push(...sealedLabels(slot, section, sealant_m, rod_m));
  } else {
    shapes.push(filling(section, partOf(slot, { from_m: 0, to_m: depth_m, depth_m, vee: false }), slot.perMetre));
    labels.push(
      nameLabel(section, y(depth_m * 0.35), { x, leadTo: [middle + half * 0.6, y(depth_m * 0.35)] }),
      labelAt('draw.layerDeep', { layer_m: depth_m }, { more: true, y: y(depth_m * 0.35) + 24, size: 15, x }),
    );
  }
  shapes.push(...coatLine(section, `M${middle - half} ${top - 3}H${middle + half}`));
  labels.push(...overLabels(section), baseLabel(section, y(depth_m) + 28, { more: true, x }), slabLabel(section, frame.bottom - 20));
  return { shapes, labels, zero: top, end: slot.end, perMetre: slot.perMetre };
}
