import type { SystemSection } from '@tufa/core/plan';
import { coded, type Coded, type LabelFigures } from '../LabelFigures';
import { nicePace, ruledEdge } from '../ruler';
import { labelPlaces } from '../labelPlaces';
import { brokenEdge, pathOf, round, type Label, type Scene, type Shape } from '../scene';

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

/** What a section names: where on it, at `x` or down its middle, or at what it leads to. */
export type LabelAt = Coded & LabelPlace & { readonly y: number; readonly size: number };

export interface LabelPlace {
  readonly x?: number;
  readonly leadTo?: readonly [number, number];
  /** it says more of what is named before it, and has no number of its own */
  readonly more?: true;
}

/** A label with its figures and its place. */
export const labelAt = <C extends keyof LabelFigures>(code: C, figures: LabelFigures[C], at: LabelPlace & { y: number; size: number }): LabelAt => ({
  ...coded(code, figures),
  ...at,
});

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

/** A section wider than this has what it names beside it, a narrower one under it, px. */
const WIDE = 520;
/** Room for the names beside it, as long as those of the shelf are. */
const columnOf = ({ width }: SectionView): number => Math.min(360, width * 0.54);
const LINE = 24;
const MARK = 20;

/** The room left for the drawing where what it names stands beside it. */
export const drawingView = (view: SectionView): SectionView => (view.small || view.width < WIDE ? view : { ...view, width: view.width - columnOf(view) });

/** A number on the drawing for each thing that is named, and the same number before its words beside or under it: no word lies on a layer. */
function namedShapes({ view, frame, labels }: { view: SectionView; frame: Frame; labels: readonly LabelAt[] }): { shapes: Shape[]; below: number } {
  const middle = (frame.left + frame.right) / 2;
  const named = [...labels].sort((a, b) => a.y - b.y);
  const numbered = named.filter(({ more }) => !more);
  const at = ({ leadTo, x, y, size }: LabelAt): readonly [number, number] => leadTo ?? [x === undefined ? middle : x + 24, y - size * 0.35];
  const places = labelPlaces(
    numbered.map((label) => ({ width: MARK, height: MARK, at: at(label) })),
    { boxes: [], lines: [] },
    { left: frame.left, right: frame.right, top: 0, bottom: frame.bottom },
  );
  const beside = drawingView(view).width < view.width;
  const [left, top] = beside ? [view.width - columnOf(view) + 12, 20] : [2, view.height + 18];
  const shapes = named.flatMap(({ y: _y, size: _size, x: _x, leadTo: _leadTo, more, ...label }, i): Shape[] => {
    const line = top + i * LINE;
    const words: Shape = { type: 'label', x: left + 20, y: line, label, size: 15, weight: named[i]!.size > 15 ? 700 : 500 };
    if (more) return [words];
    const nth = numbered.indexOf(named[i]!);
    const number = { text: String(nth + 1) };
    const place = places[nth];
    return [
      ...(place
        ? ([
            ...(place.leader ? [{ type: 'path', d: pathOf([at(named[i]!), [place.x, place.y]], false), stroke: 'ink', width: 1.5 } as Shape] : []),
            { type: 'path', d: dot(place.x, place.y), fill: 'ground', stroke: 'ink', width: 2 },
            { type: 'label', x: round(place.x), y: round(place.y + 5), label: number, size: 14, weight: 700, anchor: 'middle' },
          ] as Shape[])
        : []),
      { type: 'label', x: left, y: line, label: number, size: 14, weight: 700 },
      words,
    ];
  });
  return { shapes, below: beside ? 0 : named.length * LINE + 8 };
}

const dot = (x: number, y: number): string =>
  `M${round(x - MARK / 2)} ${round(y)}a${MARK / 2} ${MARK / 2} 0 1 0 ${MARK} 0a${MARK / 2} ${MARK / 2} 0 1 0 ${-MARK} 0Z`;

/** What is drawn with what it names, the ruled edge beside, the title for who cannot see. */
export function framed({ view, section, drawn, title }: { view: SectionView; section: SystemSection; drawn: Drawn; title: Label }): Scene {
  const { width, height, unit_m, unit, mirror = false } = view;
  const frame = frameOf(drawingView(view), section);
  const shapes = [...drawn.shapes];
  let below = 0;
  if (!frame.small) {
    const named = namedShapes({ view, frame, labels: drawn.labels });
    shapes.push(...named.shapes);
    ({ below } = named);
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
  return { width, height: height + below, title, shapes };
}
