import type { SystemSection } from '@tufa/core/plan';
import { brokenEdge, pathOf, type Shape } from '../scene';
import { baseLabel, basePaint, coatLine, filling, interfaceLine, nameLabel, overLabels, slabLabel } from './common';
import { baseBelow, type Drawn, frameOf, type LabelAt, labelAt, type SectionView } from './frame';

type Patch = Extract<SystemSection, { kind: 'spall' | 'void' }>;

/** Depth of the bottom across the patch, 0 at the rim to 1 at the deepest. */
const BOTTOM: Record<Patch['shape'], (s: number) => number> = {
  cone: (s) => 1 - Math.abs(2 * s - 1),
  dish: (s) => 1 - (2 * s - 1) ** 2,
  pan: (s) => Math.min(1, 6 * Math.min(s, 1 - s)),
};

/** An irregular, keyed rim undercuts a little, tooth by tooth. */
const KEYED = [0, 0.012, 0.004, 0.016];

/** A spall filled in its lifts with what lies over it, or a void under water. */
export function patchSection(section: Patch, view: SectionView): Drawn {
  const frame = frameOf(view, section);
  const { left, right, small } = frame;
  const { deepest_m, thickness_m, lifts } = section;
  // A skim is never drawn thinner than can be seen: where it stands out of scale, a break under it says so.
  const overlay_m = section.overlay?.thickness_m ?? 0;
  const water = section.kind === 'void' && !small ? 26 : 0;
  const rim = frame.top + water;
  // The repair takes half the height; what is left of the slab is broken off.
  const perMetre = ((frame.bottom - rim) * 0.56) / (deepest_m + overlay_m);
  const drawn = Math.max(overlay_m * perMetre, overlay_m > 0 ? 18 : 0);
  const apart = drawn > overlay_m * perMetre + 1e-9 ? 10 : 0;
  const top = rim + drawn + apart;
  const y = (depth_m: number): number => top + depth_m * perMetre;
  const [from, to] = [left + (right - left) * 0.14, left + (right - left) * 0.86];
  const cut_m = section.edge === 'feathered' ? 0 : Math.min(deepest_m * 0.5, 0.02);
  const keyed = section.edge === 'keyed';
  const profile: [number, number][] = [];
  for (let i = 0; i <= 32; i += 1) {
    const s = i / 32;
    const nudge = keyed && (i < 4 || i > 28) ? KEYED[i % 4]! * (right - left) * (i < 4 ? -1 : 1) : 0;
    profile.push([from + (to - from) * s + nudge, y(Math.max(cut_m, deepest_m * BOTTOM[section.shape](s)))]);
  }
  const { shapes: base, end } = baseBelow({
    frame,
    surface: [
      [left, top],
      [right, top],
    ],
    under: y(thickness_m),
    paint: basePaint(section),
  });
  const shapes: Shape[] = [...base, filling(section, pathOf([[from, top], ...profile, [to, top]]), perMetre)];
  for (let lift = 1; lift < lifts; lift += 1) {
    const depth = y((deepest_m * lift) / lifts);
    const inside = profile.filter(([, py]) => py >= depth).map(([px]) => px);
    if (inside.length > 1) shapes.push({ type: 'path', d: `M${Math.min(...inside)} ${depth}H${Math.max(...inside)}`, stroke: 'ink', width: 2, dash: '8 6' });
  }
  shapes.push(interfaceLine(section, pathOf(profile, false), small));
  if (section.anchors && !small) {
    // Hooked pins from the fill into sound concrete, half as deep again as the fill; for place and shape, not for spacing.
    const down = Math.min(y(deepest_m * 1.5), end - 10);
    const pins = [0.34, 0.66].map((s) => from + (to - from) * s);
    shapes.push({ type: 'path', d: pins.map((x) => `M${x - 16} ${y(deepest_m * 0.35)}H${x}V${down}`).join(''), stroke: 'ink', width: 4 });
  }
  shapes.push({ type: 'path', d: `M${left} ${top}H${right}`, stroke: 'ink', width: 3 });
  if (section.crown_m > 0 && overlay_m === 0 && !small) {
    const crown = Math.max(3, section.crown_m * perMetre);
    shapes.push({ type: 'path', d: `M${from} ${top}Q${(from + to) / 2} ${top - 2 * crown} ${to} ${top}`, stroke: 'ink', width: 2, dash: '4 4' });
  }
  if (water > 0) shapes.push({ type: 'path', d: `M${left} ${frame.top}H${right}V${top}H${left}Z`, pattern: 'wet' });
  if (overlay_m > 0) {
    shapes.push({ type: 'path', d: `M${left} ${rim}H${right}V${rim + drawn}H${left}Z`, pattern: 'sand', stroke: 'ink', width: 2.5 });
    if (apart > 0) shapes.push({ type: 'path', d: brokenEdge({ from: left, to: right, y: rim + drawn + apart / 2, tooth: 8 }), stroke: 'ink', width: 1.5 });
  }
  shapes.push(...coatLine(section, `M${left} ${rim - 3}H${right}`));
  return {
    shapes,
    labels: small ? [] : labelsOf(section, { top, rim, drawn, bottom: y(deepest_m), floor: frame.bottom, first: frame.top }),
    zero: top,
    end,
    perMetre,
  };
}

function labelsOf(
  section: Patch,
  { top, rim, drawn, bottom, floor, first }: { top: number; rim: number; drawn: number; bottom: number; floor: number; first: number },
): LabelAt[] {
  const { deepest_m, lifts, overlay } = section;
  const at = top + (bottom - top) * 0.3;
  return [
    ...overLabels(section),
    ...(section.kind === 'void' ? [labelAt('draw.water', {}, { y: first + 18, size: 14 })] : []),
    ...(overlay ? [labelAt('draw.overlay', { name: overlay.name, overlay_m: overlay.thickness_m }, { y: rim + drawn / 2 + 5, size: 15 })] : []),
    nameLabel(section, at),
    labelAt(lifts > 1 ? 'draw.lifts' : 'draw.oneLift', { deepest_m, lifts }, { more: true, y: at + 26, size: 15 }),
    ...(section.anchors ? [labelAt('draw.anchors', {}, { y: at + 50, size: 14 })] : []),
    baseLabel(section, bottom + 26),
    slabLabel(section, floor - 20),
  ];
}
