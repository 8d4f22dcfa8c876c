import type { SystemSection } from '@tufa/core/plan';
import { pathOf, type Shape } from '../scene';
import { baseLabel, basePaint, coatLine, filling, interfaceLine, nameLabel, overLabels } from './common';
import { type Drawn, frameOf, labelAt, type SectionView } from './frame';

type Edge = Extract<SystemSection, { kind: 'edge' }>;
type Step = Extract<SystemSection, { kind: 'step' }>;
type Wedge = Extract<SystemSection, { kind: 'wedge' }>;

/** A board on its face: formed with a prop, or held by the trowel. */
function face({ x, from, to, how }: { x: number; from: number; to: number; how: string }): Shape[] {
  if (how === 'skimmed') return [];
  const thick = how === 'formed' ? 12 : 5;
  const board: Shape = { type: 'path', d: `M${x + 2} ${from}h${thick}V${to}h${-thick}Z`, fill: 'sheet', stroke: 'ink', width: 2 };
  const middle = (from + to) / 2;
  return how === 'formed'
    ? [board, { type: 'path', d: `M${x + 2 + thick} ${middle}l34 ${Math.min(60, (to - from) * 0.5)}`, stroke: 'ink', width: 5 }]
    : [board];
}

/** A broken edge or nosing built back, its face formed, held or skimmed. */
export function edgeSection(section: Edge, view: SectionView): Drawn {
  const frame = frameOf(view, section);
  const { left, right, bottom } = frame;
  const { across_m, down_m } = section;
  const top = frame.top + 4;
  const perMetre = Math.min(((bottom - top) * 0.5) / down_m, ((right - left) * 0.42) / across_m);
  const outer = right - 64;
  const [inner, low] = [outer - across_m * perMetre, top + down_m * perMetre];
  const [back, deep] = [
    [inner, top],
    [outer, low],
  ] as [[number, number], [number, number]];
  // A square break leaves a ledge; a wedge breaks along its slope.
  const broken: [number, number][] = section.section === 'rectangle' ? [back, [inner, low], deep] : [back, deep];
  const base: Shape = {
    type: 'path',
    d: pathOf([[left, top], ...broken, [outer, bottom], [left, bottom]]),
    ...basePaint(section),
    stroke: 'ink',
    width: 2,
  };
  const shapes: Shape[] = [
    base,
    filling(section, pathOf([...broken, [outer, top]]), perMetre),
    interfaceLine(section, pathOf(broken, false)),
    ...face({ x: outer, from: top - 2, to: low + 14, how: section.face }),
    ...coatLine(section, `M${left} ${top - 4}H${outer}`),
  ];
  const x = left + 8;
  return {
    shapes,
    labels: [
      ...overLabels(section),
      nameLabel(section, low + 26, { x, leadTo: [(inner + outer) / 2, (top + low) / 2] }),
      labelAt('draw.edgeSize', { across_m, down_m }, { more: true, y: low + 50, size: 15, x }),
      labelAt(`draw.face.${section.face}`, {}, { more: true, y: low + 74, size: 14, x }),
      baseLabel(section, low + 98, { more: true, x }),
    ],
    zero: top,
    end: bottom,
    perMetre,
  };
}

/** A step rebuilt inside its form, on the one below. */
export function stepSection(section: Step, view: SectionView): Drawn {
  const frame = frameOf(view, section);
  const { left, right, bottom } = frame;
  const { going_m, rise_m } = section;
  const top = frame.top + 4;
  const perMetre = Math.min(((bottom - top) * 0.56) / rise_m, ((right - left) * 0.5) / going_m);
  const outer = right - 74;
  const inner = Math.max(left + 24, outer - going_m * perMetre);
  const low = top + rise_m * perMetre;
  const base: Shape = {
    type: 'path',
    d: pathOf([
      [left, top - 4],
      [inner, top - 4],
      [inner, low],
      [right, low],
      [right, bottom],
      [left, bottom],
    ]),
    ...basePaint(section),
    stroke: 'ink',
    width: 2,
  };
  // The tread falls a little to the front, so that no water stands on it.
  const cast = pathOf([
    [inner, top],
    [outer, top + 4],
    [outer, low],
    [inner, low],
  ]);
  const shapes: Shape[] = [
    base,
    filling(section, cast, perMetre),
    interfaceLine(section, `M${inner} ${top}V${low}H${outer}`),
    ...face({ x: outer, from: top, to: low, how: section.face }),
    ...coatLine(section, `M${inner} ${top - 4}H${outer}`),
  ];
  const middle = (inner + outer) / 2;
  return {
    shapes,
    labels: [
      ...overLabels(section),
      nameLabel(section, top + (low - top) * 0.35, { x: Math.max(left + 8, middle - 90) }),
      labelAt('draw.rise', { rise_m }, { more: true, y: top + (low - top) * 0.35 + 24, size: 15, x: Math.max(left + 8, middle - 90) }),
      labelAt('draw.going', { going_m }, { more: true, y: top + (low - top) * 0.35 + 48, size: 15, x: Math.max(left + 8, middle - 90) }),
      labelAt(`draw.face.${section.face}`, {}, { more: true, y: low + 28, size: 14, x: left + 8 }),
      baseLabel(section, low + 52, { more: true, x: left + 8 }),
    ],
    zero: top,
    end: bottom,
    perMetre,
  };
}

/** Where a wedge is thinner than its sheet allows: a heavy dashed line over its face. */
const thinPart = ({ from, to }: { from: readonly [number, number]; to: readonly [number, number] }): Shape[] => [
  { type: 'path', d: pathOf([from, to], false), stroke: 'stop', width: 5, dash: '6 4' },
  {
    type: 'path',
    d: pathOf(
      [
        [to[0], to[1] - 8],
        [to[0], from[1] + 8],
      ],
      false,
    ),
    stroke: 'stop',
    width: 2,
  },
];

/** The joint beside a wedge: it stays open over its rod. */
function openJoint({ at, top, low, bottom, wide }: { at: number; top: number; low: number; bottom: number; wide: number }): Shape[] {
  const r = wide * 0.62;
  return [
    { type: 'path', d: `M${at} ${top - 2}h${wide}V${bottom}h${-wide}Z`, fill: 'ground', stroke: 'ink', width: 2 },
    {
      type: 'path',
      d: `M${at + wide / 2 - r} ${low}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`,
      fill: 'sheet',
      pattern: 'air',
      stroke: 'ink',
      width: 2,
    },
  ];
}

/** A wedge at a height difference, drawn steeper than it is; its toe cut where its product may not run out. */
export function wedgeSection(section: Wedge, view: SectionView): Drawn {
  const frame = frameOf(view, section);
  const { left, right, bottom } = frame;
  const { rise_m, run_m, toe_m, thin_m, joint_m } = section;
  const top = frame.top + 22;
  const perMetre = ((bottom - top) * 0.42) / rise_m;
  const low = top + rise_m * perMetre;
  const [start, high] = [left + (right - left) * 0.14, left + (right - left) * 0.8];
  const toe = Math.min(toe_m * perMetre, bottom - low - 60);
  // Where a toe is cut, the wedge starts at the product's least thickness below the lower floor.
  const thin = toe > 0 ? Math.min(high - start - 12, (high - start) * (toe_m / rise_m)) : 0;
  const under: [number, number][] =
    toe > 0
      ? [
          [start, low],
          [start, low + toe],
          [start + thin, low + toe],
          [start + thin, low],
        ]
      : [[start, low]];
  const base: Shape = {
    type: 'path',
    d: pathOf([[left, low], ...under, [high, low], [high, top], [right, top], [right, bottom], [left, bottom]]),
    ...basePaint(section),
    stroke: 'ink',
    width: 2,
  };
  const shapes: Shape[] = [
    base,
    filling(section, pathOf([...under, [high, low], [high, top]]), perMetre),
    interfaceLine(section, pathOf([...under, [high, low], [high, top]], false)),
    ...coatLine(section, `M${start} ${low - 4}L${high} ${top - 4}`),
    ...(thin_m > 0
      ? thinPart({ from: [start, low], to: [start + (high - start) * Math.min(1, thin_m / run_m), low - (low - top) * Math.min(1, thin_m / run_m)] })
      : []),
    ...(joint_m > 0 ? openJoint({ at: high, top, low, bottom, wide: Math.max(10, Math.min(26, joint_m * perMetre)) }) : []),
  ];
  const x = left + 8;
  return {
    shapes,
    labels: [
      ...overLabels(section),
      nameLabel(section, top + 6, { x, leadTo: [(start + high * 2) / 3, (low + top) / 2 + 8] }),
      labelAt('draw.wedgeSize', { rise_m, run_m }, { more: true, y: top + 30, size: 15, x }),
      labelAt('draw.steeper', {}, { more: true, y: top + 52, size: 14, x }),
      ...(thin_m > 0 ? [labelAt('draw.thin', { thin_m }, { y: low - 10, size: 14, x: start })] : []),
      ...(joint_m > 0 ? [labelAt('draw.jointStays', { joint_m }, { y: low + 14, size: 14, x, leadTo: [high, low - 4] })] : []),
      ...(toe_m > 0 ? [labelAt('draw.toe', { toe_m }, { y: low + toe + 24, size: 14, x: start })] : []),
      baseLabel(section, bottom - 12, { more: true, x }),
    ],
    zero: top,
    end: bottom,
    perMetre,
  };
}
