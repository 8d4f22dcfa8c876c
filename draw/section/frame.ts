import type { SystemSection } from '@tufa/core/plan';
import { coded, type Coded, type LabelFigures } from '../LabelFigures';
import { nicePace, ruledEdge } from '../ruler';
import { brokenEdge, pathOf, type Label, type Scene, type Shape } from '../scene';

/** Where a section is drawn, in what units it is ruled. */
export interface SectionView {
  readonly width: number;
  readonly height: number;
  /** metres in one unit of the ruled edge: 0.0254 for inches, 0.001 for millimetres */
  readonly unit_m: number;
  readonly unit: string;
  readonly small?: boolean;
  /** the ruled edge stands on the left, under a left thumb */
  readonly mirror?: boolean;
}

/** The room of a section, and its scales across and down. */
export interface Frame {
  readonly left: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
  readonly small: boolean;
}

/** A line of what cures or coats it, above the face. */
export const OVER_LINE = 20;

/** The room beside the ruled edge, under the names of what goes over it. */
export function frameOf({ width, height, small = false, mirror = false }: SectionView, { over }: Pick<SystemSection, 'over'>): Frame {
  const ruler = small ? 0 : 64;
  const top = small ? 4 : 12 + over.length * OVER_LINE;
  return { left: mirror ? ruler : 0, right: mirror ? width : width - ruler, top, bottom: height - (small ? 4 : 8), small };
}

/** A label of a section: at `x` with its own anchor, or down the middle on a plate; a line leads to what it names. */
export type LabelAt = Coded & LabelPlace & { readonly y: number; readonly size: number };

export interface LabelPlace {
  readonly x?: number;
  readonly leadTo?: readonly [number, number];
}

/** A label with its figures and its place. */
export const labelAt = <C extends keyof LabelFigures>(code: C, figures: LabelFigures[C], at: LabelPlace & { y: number; size: number }): LabelAt => ({
  ...coded(code, figures),
  ...at,
});

/** Labels of one column moved down, and up again from the floor, until none touches its neighbour. */
function apartDown(labels: readonly LabelAt[], floor: number): LabelAt[] {
  const room = (label: LabelAt): number => label.size * 1.5;
  const down = [...labels]
    .sort((a, b) => a.y - b.y)
    .reduce<LabelAt[]>((placed, label) => {
      const above = placed.at(-1);
      return [...placed, { ...label, y: above ? Math.max(label.y, above.y + room(label)) : label.y }];
    }, []);
  return down.reduceRight<LabelAt[]>((placed, label) => {
    const [below] = placed;
    return [{ ...label, y: Math.min(label.y, below ? below.y - room(below) : floor) }, ...placed];
  }, []);
}

/** A base is a pattern, or plain where none is its own. */
export type BasePaint = Pick<Extract<Shape, { type: 'path' }>, 'pattern' | 'fill'>;

/** What stands under a surface line until the slab's own underside, or until it is visibly broken off. */
export function baseBelow({
  frame,
  surface,
  under,
  paint,
}: {
  frame: Frame;
  /** its upper line from left to right */
  surface: readonly (readonly [number, number])[];
  /** where its underside would lie */
  under: number;
  paint: BasePaint;
}): { readonly shapes: Shape[]; readonly end: number } {
  const { bottom, small } = frame;
  const [from, to] = [surface[0]![0], surface.at(-1)![0]];
  const body = (top: readonly (readonly [number, number])[], end: number): Shape => ({ type: 'path', d: pathOf([...top, [to, end], [from, end]]), ...paint });
  if (under <= bottom) return { shapes: [body(surface, under), { type: 'path', d: `M${from} ${under}H${to}`, stroke: 'ink', width: 2 }], end: under };
  const breakAt = bottom - (small ? 8 : 44);
  const edge = (y: number): Shape => ({ type: 'path', d: brokenEdge({ from, to, y }), stroke: 'ink', width: 2 });
  const rest: [number, number][] = [
    [from, breakAt + 14],
    [to, breakAt + 14],
  ];
  return { shapes: [body(surface, breakAt), body(rest, bottom), edge(breakAt), edge(breakAt + 12)], end: breakAt };
}

/** What a kind of section has drawn: its shapes, what it names, where its depth is nothing and where the ruling ends. */
export interface Drawn {
  readonly shapes: readonly Shape[];
  readonly labels: readonly LabelAt[];
  readonly zero: number;
  readonly end: number;
  readonly perMetre: number;
}

/** Labels apart from each other, the ruled edge beside, the title for who cannot see. */
export function framed({ view, section, drawn, title }: { view: SectionView; section: SystemSection; drawn: Drawn; title: Label }): Scene {
  const { width, height, unit_m, unit, mirror = false } = view;
  const frame = frameOf(view, section);
  const shapes = [...drawn.shapes];
  if (!frame.small) {
    const at = (frame.left + frame.right) / 2;
    for (const { y, size, x, leadTo, ...label } of apartDown(drawn.labels, frame.bottom - 6)) {
      if (leadTo) shapes.push({ type: 'path', d: `M${leadTo[0]} ${leadTo[1]}L${(x ?? at) - 4} ${y - size * 0.35}`, stroke: 'edge', width: 1.5 });
      const anchor = x === undefined ? 'middle' : 'start';
      shapes.push({ type: 'label', x: x ?? at, y, label, size, weight: size > 15 ? 700 : 500, anchor, plate: true });
    }
    const { perMetre } = drawn;
    const inches = unit_m === 0.0254;
    const major = Math.max(
      nicePace(0.012 * (1 / unit_m) * (60 / Math.max(perMetre * 0.012, 1))),
      inches ? (perMetre > 10000 ? 0.1 : 0.5) : perMetre > 6000 ? 1 : 5,
    );
    shapes.push(
      ...ruledEdge({
        x: mirror ? frame.left - 8 : frame.right + 8,
        mirror,
        from: drawn.zero,
        to: drawn.end,
        perUnit: unit_m * perMetre,
        major,
        minor: inches ? major / 4 : major / 5,
        unit,
      }),
    );
  }
  return { width, height, title, shapes };
}
