import { nicePace, ruledEdge } from './ruler';
import { brokenEdge, pathOf, round, type Scene, type Shape } from './scene';

export interface SectionInput {
  readonly name: string;
  readonly deepest_m: number;
  readonly thickness_m: number;
  readonly shape: 'cone' | 'dish' | 'pan';
  readonly edge: 'cut' | 'feathered';
  readonly lifts: number;
  readonly bond: boolean;
  readonly grain_m: number;
  readonly moisture: 'dry' | 'damp' | 'wet';
  readonly width: number;
  readonly height: number;
  /** metres in one unit of the ruled edge: 0.0254 for inches, 0.001 for millimetres */
  readonly unit_m: number;
  readonly unit: string;
  readonly small?: boolean;
  /** the ruled edge stands on the left, under a left thumb */
  readonly mirror?: boolean;
  /** a thin layer over patch and slab together, m */
  readonly overlay_m?: number;
}

/** Depth of the bottom across the patch, 0 at the rim to 1 at the deepest. */
const BOTTOM: Record<SectionInput['shape'], (s: number) => number> = {
  cone: (s) => 1 - Math.abs(2 * s - 1),
  dish: (s) => 1 - (2 * s - 1) ** 2,
  pan: (s) => Math.min(1, 6 * Math.min(s, 1 - s)),
};

/**
 * The repair as if cut through, layers to scale; the slab below it is broken off visibly where it would not fit.
 */
export function sectionScene(input: SectionInput): Scene {
  const { deepest_m, thickness_m, width, height, unit_m, unit, small = false } = input;
  const ruler = small ? 0 : 64;
  const mirror = input.mirror ?? false;
  const right = mirror ? width : width - ruler;
  // A skim is never drawn thinner than can be seen: where it stands out of scale, a break under it says so.
  const overlay_m = input.overlay_m ?? 0;
  const rim = small ? 4 : 12;
  const bottom = height - (small ? 4 : 8);
  // The repair takes half the height; what is left of the slab is broken off.
  const perMetre = ((bottom - rim) * 0.56) / (deepest_m + overlay_m);
  const drawn = Math.max(overlay_m * perMetre, overlay_m > 0 ? 18 : 0);
  const apart = drawn > overlay_m * perMetre + 1e-9 ? 10 : 0;
  const top = rim + drawn + apart;
  const fits = top + thickness_m * perMetre <= bottom;
  const breakAt = fits ? null : bottom - (small ? 8 : 44);
  const y = (depth_m: number): number => top + depth_m * perMetre;
  const left = mirror ? ruler : 0;
  const [from, to] = [left + (right - left) * 0.14, left + (right - left) * 0.86];
  const cut_m = input.edge === 'cut' ? Math.min(deepest_m * 0.5, 0.02) : 0;
  const profile: [number, number][] = [];
  for (let i = 0; i <= 32; i += 1) {
    const s = i / 32;
    profile.push([from + (to - from) * s, y(Math.max(cut_m, deepest_m * BOTTOM[input.shape](s)))]);
  }
  const grain = round(Math.min(2.4, Math.max(0.7, (input.grain_m * perMetre) / 6)));
  const base = bottom;
  const shapes: Shape[] = [
    {
      type: 'path',
      d: pathOf([
        [left, top],
        [right, top],
        [right, breakAt ?? y(thickness_m)],
        [left, breakAt ?? y(thickness_m)],
      ]),
      pattern: 'aggregate',
    },
  ];
  if (breakAt !== null) {
    shapes.push({
      type: 'path',
      d: pathOf([
        [left, breakAt + 14],
        [right, breakAt + 14],
        [right, base],
        [left, base],
      ]),
      pattern: 'aggregate',
    });
    shapes.push(
      { type: 'path', d: brokenEdge({ from: left, to: right, y: breakAt }), stroke: 'ink', width: 2 },
      { type: 'path', d: brokenEdge({ from: left, to: right, y: breakAt + 12 }), stroke: 'ink', width: 2 },
    );
  }
  shapes.push({ type: 'path', d: pathOf([[from, top], ...profile, [to, top]]), pattern: 'mortar', grain, stroke: 'ink', width: 2.5 });
  for (let lift = 1; lift < input.lifts; lift += 1) {
    const depth = y((deepest_m * lift) / input.lifts);
    const inside = profile.filter(([, py]) => py >= depth).map(([px]) => px);
    if (inside.length > 1) shapes.push({ type: 'path', d: `M${Math.min(...inside)} ${depth}H${Math.max(...inside)}`, stroke: 'ink', width: 2, dash: '8 6' });
  }
  shapes.push({
    type: 'path',
    d: pathOf(profile, false),
    stroke: input.bond ? 'caution' : 'act',
    width: small ? 2 : 5,
    dash: input.moisture === 'dry' ? '2 6' : '7 4',
  });
  shapes.push({ type: 'path', d: `M${left} ${top}H${right}`, stroke: 'ink', width: 3 });
  if (overlay_m > 0) {
    const layer = pathOf([
      [left, rim],
      [right, rim],
      [right, rim + drawn],
      [left, rim + drawn],
    ]);
    shapes.push({ type: 'path', d: layer, pattern: 'sand', stroke: 'ink', width: 2.5 });
    if (apart > 0) shapes.push({ type: 'path', d: brokenEdge({ from: left, to: right, y: rim + drawn + apart / 2, tooth: 8 }), stroke: 'ink', width: 1.5 });
  }
  if (!small) {
    const middle = (from + to) / 2;
    const wanted: LabelAt[] = [
      ...(overlay_m > 0 ? [{ y: rim + drawn / 2 + 5, code: 'draw.overlay', figures: { overlay_m }, size: 15 }] : []),
      { y: top + (y(deepest_m) - top) * 0.3, code: 'draw.name', figures: { name: input.name }, size: 16 },
      {
        y: top + (y(deepest_m) - top) * 0.3 + 26,
        code: input.lifts > 1 ? 'draw.lifts' : 'draw.oneLift',
        figures: { deepest_m, lifts: input.lifts },
        size: 15,
      },
      { y: y(deepest_m) + 26, code: input.bond ? 'draw.bondDamp' : `draw.moisture.${input.moisture}`, figures: {}, size: 15 },
      { y: base - 12, code: 'draw.slab', figures: { thickness_m }, size: 15 },
    ];
    for (const { y: ty, code, figures, size } of apartDown(wanted, base - 6))
      shapes.push({ type: 'label', x: middle, y: ty, label: { code, figures }, size, weight: size > 15 ? 700 : 500, anchor: 'middle', plate: true });
    const major = Math.max(nicePace(0.012 * (1 / unit_m) * (60 / Math.max(perMetre * 0.012, 1))), unit_m === 0.0254 ? 0.5 : 5);
    const end = Math.min(breakAt ?? y(thickness_m), base);
    shapes.push(
      ...ruledEdge({
        x: mirror ? left - 8 : right + 8,
        mirror,
        from: top,
        to: end,
        perUnit: unit_m * perMetre,
        major,
        minor: unit_m === 0.0254 ? major / 4 : major / 5,
        unit,
      }),
    );
  }
  return { width, height, title: { code: 'draw.section', figures: { name: input.name, deepest_m, thickness_m } }, shapes };
}

interface LabelAt {
  readonly y: number;
  readonly code: string;
  readonly figures: Readonly<Record<string, number | string>>;
  readonly size: number;
}

/** Labels of one column moved down, and up again from the floor, until none touches its neighbour. */
function apartDown(labels: readonly LabelAt[], floor: number): LabelAt[] {
  const room = (label: LabelAt): number => label.size * 1.5;
  const down = labels.reduce<LabelAt[]>((held, label) => {
    const above = held.at(-1);
    return [...held, { ...label, y: above ? Math.max(label.y, above.y + room(label)) : label.y }];
  }, []);
  return down.reduceRight<LabelAt[]>((held, label) => {
    const [below] = held;
    return [{ ...label, y: Math.min(label.y, below ? below.y - room(below) : floor) }, ...held];
  }, []);
}
