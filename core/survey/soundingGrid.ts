import { inRange, Problem } from '../quantity';
import { extent, strictlyInside, type Point } from '../takeoff';

/** More taps than anybody makes. */
const MOST = 2000;

/**
 * Where to tap an element, row after row and back again as one walks it: the middles of squares of the spacing that lie
 * inside the outline and outside its openings.
 *
 * @param spacing_m 0.05 to 5
 * @throws Problem `outOfRange`; `tooManyTaps` where the spacing is too fine for the element
 * @example soundingGrid({ outline: rectangle({ length_m: 2, width_m: 1 }), spacing_m: 0.5 }).length // 8
 */
export function soundingGrid({
  outline,
  openings = [],
  spacing_m,
}: {
  outline: readonly Point[];
  openings?: readonly (readonly Point[])[];
  spacing_m: number;
}): Point[] {
  inRange({ quantity: 'spacing_m', value: spacing_m, least: 0.05, most: 5 });
  const { left_m: left, top_m: top, length_m, width_m } = extent(outline);
  const squares = (along_m: number): number => Math.max(1, Math.round(along_m / spacing_m));
  const [columns, rows] = [squares(length_m), squares(width_m)];
  if (columns * rows > MOST * 4) throw new Problem('tooManyTaps', { spacing_m, most: MOST });
  const [dx, dy] = [length_m / columns, width_m / rows];
  const points: Point[] = [];
  for (let row = 0; row < rows; row += 1)
    for (let step = 0; step < columns; step += 1) {
      const column = row % 2 === 0 ? step : columns - 1 - step;
      const at: Point = [left + (column + 0.5) * dx, top + (row + 0.5) * dy];
      if (strictlyInside(at, outline) && !openings.some((opening) => strictlyInside(at, opening))) points.push(at);
    }
  if (points.length > MOST) throw new Problem('tooManyTaps', { spacing_m, most: MOST });
  return points;
}
