import { Problem } from '../quantity';
import type { Point } from './polygonArea';

/** A corner that is rounded, by its place in the outline. */
export interface Rounding {
  readonly corner: number;
  readonly radius_m: number;
}

/** An outline with rounded corners: what its form is made of, and how its area changes. */
export interface RoundedOutline {
  /** straight strips, one a side, m */
  readonly sides_m: readonly number[];
  /** flexible strips, one a rounded corner, m */
  readonly curves_m: readonly number[];
  /** what the corners take off the area, m2; under 0 where inner corners are filled */
  readonly lost_m2: number;
}

/**
 * An outline whose corners are rounded: a corner that turns by phi takes r tan(phi/2) of each of its sides, needs r phi of
 * flexible strip, and takes r^2 (tan(phi/2) - phi/2) off the area.
 *
 * @throws Problem `radiusTooLarge` where the roundings of a side's two corners are longer than the side
 * @example roundedOutline({ outline: rectangle({ length_m: 2, width_m: 0.6 }), radii: [{ corner: 0, radius_m: 0.1 }] }).curves_m // [0.157]
 */
export function roundedOutline({ outline, radii }: { readonly outline: readonly Point[]; readonly radii: readonly Rounding[] }): RoundedOutline {
  const n = outline.length;
  const at = (i: number): Point => outline[((i % n) + n) % n]!;
  const turnAt = (i: number): number => {
    const [[px, py], [x, y], [nx, ny]] = [at(i - 1), at(i), at(i + 1)];
    const turn = Math.atan2(ny - y, nx - x) - Math.atan2(y - py, x - px);
    return Math.atan2(Math.sin(turn), Math.cos(turn));
  };
  const turns = outline.map((_, i) => turnAt(i));
  // Which way round it is listed: corners that turn the other way are inner ones.
  const way = Math.sign(turns.reduce((sum, turn) => sum + turn, 0));
  const radiusOf = (i: number): number => radii.find(({ corner }) => corner === ((i % n) + n) % n)?.radius_m ?? 0;
  const tangent = (i: number): number => radiusOf(i) * Math.tan(Math.abs(turns[((i % n) + n) % n]!) / 2);
  const sides_m = outline.map((corner, i) => {
    const side_m = Math.hypot(at(i + 1)[0] - corner[0], at(i + 1)[1] - corner[1]);
    const straight_m = side_m - tangent(i) - tangent(i + 1);
    if (straight_m < -1e-9) throw new Problem('radiusTooLarge', { corner: (tangent(i) >= tangent(i + 1) ? i : (i + 1) % n) + 1, side_m });
    return Math.max(0, straight_m);
  });
  const rounded = radii.filter(({ corner, radius_m }) => radius_m > 0 && corner < n);
  return {
    sides_m,
    curves_m: rounded.map(({ corner, radius_m }) => radius_m * Math.abs(turns[corner]!)),
    lost_m2: rounded.reduce((sum, { corner, radius_m }) => {
      const turn = Math.abs(turns[corner]!);
      return sum + Math.sign(turns[corner]!) * way * radius_m ** 2 * (Math.tan(turn / 2) - turn / 2);
    }, 0),
  };
}
