import type { Measured } from '@tufa/core/quantity';
import type { CounterInput } from '@tufa/core/survey';
import { extent, outsiders, rectangle, TAKEOFF, type Point } from '@tufa/core/takeoff';
import { cutoutsIn } from './cutouts';
import type { RowKind, Said } from './RowKind';

/** A countertop cast or overlaid; its cut-outs are the openings of its element. */
export interface CounterProperties extends Said {
  readonly thickness: Measured;
  /** cast in a mould; laid over what is there where nobody says so */
  readonly cast?: boolean;
  /** a front that hangs lower; null where there is none */
  readonly dropped: { readonly length: Measured; readonly across: Measured; readonly down: Measured } | null;
  /** what each of its sides is, in the order of its corners; absent where only the front was told */
  readonly sides?: readonly (typeof COUNTER_SIDES)[number][];
  /** how high and thick what stands up against a wall is */
  readonly splash?: { readonly height: Measured; readonly thick: Measured };
  /** corners that are rounded, counted from 0 */
  readonly radii?: readonly { readonly corner: number; readonly radius: Measured }[];
  /** round holes, for taps: from the left and from the back to the middle, and how wide */
  readonly holes?: readonly { readonly left: Measured; readonly top: Measured; readonly across: Measured }[];
}

/** What each side of a top is: it ends as it is thick, hangs lower, or stands up against a wall. */
export const COUNTER_SIDES = ['plain', 'dropped', 'splash'] as const;

/** A countertop. */
export const counter: RowKind<CounterProperties, CounterInput> = {
  kind: 'counter',
  lineLeast_m: null,
  properties: ({ Joi, exactly, measured }) => ({
    thickness: measured('counter_m').required(),
    cast: Joi.boolean(),
    dropped: Joi.object({ length: measured('side_m').required(), across: measured('depth_m').required(), down: measured('depth_m').required() })
      .allow(null)
      .required(),
    sides: Joi.array().items(exactly(COUNTER_SIDES)).max(200),
    splash: Joi.object({ height: measured('depth_m').required(), thick: measured('depth_m').required() }),
    radii: Joi.array()
      .items(Joi.object({ corner: Joi.number().integer().min(0).max(199).required(), radius: measured('depth_m').required() }))
      .max(200),
    holes: Joi.array()
      .items(Joi.object({ left: measured('side_m').required(), top: measured('side_m').required(), across: measured('depth_m').required() }))
      .max(20),
  }),
  fields: ({ Joi, measured, outline, cutouts, size }) => ({
    outline: outline.required(),
    cutouts_m2: cutouts.required(),
    thickness: measured('depth_m').required(),
    cast: Joi.boolean(),
    edges: Joi.array()
      .items(Joi.object({ length_m: size(100).required(), across_m: size(1).required(), down_m: size(1).required() }))
      .max(50)
      .required(),
    radii: Joi.array()
      .items(Joi.object({ corner: Joi.number().integer().min(0).max(199).required(), radius_m: size(1).required() }))
      .max(200),
    splash: Joi.object({ lengths_m: Joi.array().items(size(100)).max(200).required(), height_m: size(1).required(), thick_m: size(1).required() }),
    holes: Joi.array().items(outline).max(70),
    stock_m: Joi.number().min(0.01).max(20).required(),
    kerf_m: size(0.02).required(),
  }),
  inputOf({ outline: { points }, properties: { thickness, dropped, cast, sides = [], splash, radii = [], holes = [] } }, { openings }) {
    const { formStock_m: stock_m, formKerf_m: kerf_m } = TAKEOFF;
    const round = holesOf(points, holes);
    const sinks = openings.filter((opening) => outsiders(opening, points).length === 0);
    const lengthOf = (i: number): number => sideLength(points, i);
    const ofSide = (is: (typeof COUNTER_SIDES)[number]): number[] => sides.flatMap((side, i) => (side === is && i < points.length ? [lengthOf(i)] : []));
    const lengths_m = sides.length > 0 ? ofSide('dropped') : dropped ? [dropped.length.value] : [];
    const edges = dropped ? lengths_m.map((length_m) => ({ length_m, across_m: dropped.across.value, down_m: dropped.down.value })) : [];
    const standing = splash ? ofSide('splash') : [];
    const out = [...sinks, ...round.map(({ outline }) => outline)];
    return {
      kind: 'counter',
      outline: points,
      cutouts_m2: [...cutoutsIn(points, openings), ...round.map(({ area_m2 }) => area_m2)],
      thickness,
      ...(cast ? { cast } : {}),
      edges,
      ...(radii.length > 0 ? { radii: radii.map(({ corner, radius }) => ({ corner, radius_m: radius.value })) } : {}),
      ...(splash && standing.length > 0 ? { splash: { lengths_m: standing, height_m: splash.height.value, thick_m: splash.thick.value } } : {}),
      ...(out.length > 0 ? { holes: out } : {}),
      stock_m,
      kerf_m,
    };
  },
};

/** How long a side is, from its corner to the next, m. */
export const sideLength = (points: readonly Point[], i: number): number => {
  const [[x, y], [nx, ny]] = [points[i]!, points[(i + 1) % points.length]!];
  return Math.hypot(nx - x, ny - y);
};

/** Round holes where they lie: as squares that hold them, and what they take of the area. */
export function holesOf(points: readonly Point[], holes: NonNullable<CounterProperties['holes']>): { outline: Point[]; area_m2: number }[] {
  const { left_m, top_m } = extent(points);
  return holes.map(({ left, top, across }) => {
    const half_m = across.value / 2;
    const at: Point = [left_m + left.value - half_m, top_m + top.value - half_m];
    return { outline: rectangle({ length_m: across.value, width_m: across.value, at }), area_m2: Math.PI * half_m ** 2 };
  });
}
