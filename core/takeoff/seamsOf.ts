import polygonClipping from 'polygon-clipping';
import { inRange } from '../quantity';
import { extent } from './extent';
import { polygonArea, type Point } from './polygonArea';

/** A top cast in pieces. */
export interface Seams {
  readonly pieces: number;
  /** where each seam crosses it, m from its left side, or from its top where it is longer that way */
  readonly at_m: readonly number[];
  /** what the heaviest piece weighs */
  readonly heaviest_kg: number;
}

/** No seam so near to a hole, m. */
const CLEAR_M = 0.075;
/** More pieces than this are another way of building. */
const PIECES_MOST = 12;

const areaOf = (rings: readonly (readonly Point[])[]): number => rings.reduce((sum, ring) => sum + polygonArea(ring), 0);

/**
 * Where a top is cut into pieces that two people carry: as few as carry it, as even as holes allow, no seam through a hole.
 *
 * @param holes outlines that are left out of it
 * @param mass_kg of all of it
 * @param carry_kg what two people carry, over 0
 * @throws Problem `outOfRange`
 * @example seamsOf({ outline: rectangle({ length_m: 3, width_m: 0.6 }), holes: [], mass_kg: 160, carry_kg: 60 }).at_m // [1, 2]
 */
export function seamsOf({
  outline,
  holes,
  mass_kg,
  carry_kg,
}: {
  outline: readonly Point[];
  holes: readonly (readonly Point[])[];
  mass_kg: number;
  carry_kg: number;
}): Seams {
  inRange({ quantity: 'carry_kg', value: carry_kg, least: 1, most: 1000 });
  const { left_m, top_m, length_m, width_m } = extent(outline);
  const across = length_m >= width_m;
  const [from_m, long_m] = across ? [left_m, length_m] : [top_m, width_m];
  const far = 2 * (length_m + width_m);
  const pairs = (points: readonly Point[]): [number, number][][] => [points.map(([x, y]): [number, number] => [x, y])];
  const whole = holes.length > 0 ? polygonClipping.difference(pairs(outline), ...holes.map(pairs)) : [pairs(outline)];
  const before = (at_m: number): number => {
    const edge = from_m + at_m;
    const half: [number, number][][] = across
      ? [
          [
            [left_m - far, top_m - far],
            [edge, top_m - far],
            [edge, top_m + far],
            [left_m - far, top_m + far],
          ],
        ]
      : [
          [
            [left_m - far, top_m - far],
            [left_m + far, top_m - far],
            [left_m + far, edge],
            [left_m - far, edge],
          ],
        ];
    return polygonClipping.intersection(whole, half).reduce((sum, [ring, ...inner]) => sum + areaOf([ring!]) - areaOf(inner), 0);
  };
  const total = before(long_m);
  const perArea = mass_kg / total;
  const taken = holes.map((hole) => {
    const box = extent(hole);
    const [start, size] = across ? [box.left_m, box.length_m] : [box.top_m, box.width_m];
    return { from: start - from_m - CLEAR_M, to: start - from_m + size + CLEAR_M };
  });
  /** Off every hole, to the nearer side of it. */
  const clearOf = (at_m: number): number => {
    const hit = taken.find(({ from, to }) => at_m > from && at_m < to);
    if (!hit) return at_m;
    return at_m - hit.from < hit.to - at_m ? Math.max(0, hit.from) : Math.min(long_m, hit.to);
  };
  const even = (share: number): number => {
    let [low, high] = [0, long_m];
    for (let i = 0; i < 40; i += 1) {
      const middle = (low + high) / 2;
      if (before(middle) < share * total) low = middle;
      else high = middle;
    }
    return (low + high) / 2;
  };
  let best: Seams = { pieces: 1, at_m: [], heaviest_kg: mass_kg };
  for (let pieces = Math.max(1, Math.ceil(mass_kg / carry_kg - 1e-9)); pieces <= PIECES_MOST && best.heaviest_kg > carry_kg * (1 + 1e-9); pieces += 1) {
    const at_m = Array.from({ length: pieces - 1 }, (_, i) => clearOf(even((i + 1) / pieces)));
    const cuts = [0, ...at_m, long_m].map(before);
    const heaviest_kg = Math.max(...cuts.slice(1).map((cut, i) => (cut - cuts[i]!) * perArea));
    if (heaviest_kg < best.heaviest_kg) best = { pieces, at_m, heaviest_kg };
  }
  return best;
}
