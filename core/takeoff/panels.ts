import polygonClipping from 'polygon-clipping';
import { extent } from './extent';
import { polygonArea, type Point } from './polygonArea';

/** A part of a face between joints. */
export interface Panel {
  readonly area_m2: number;
  /** where its middle lies, m */
  readonly centre: Point;
}

const centreOf = (ring: readonly Point[]): Point => {
  const mean = (i: 0 | 1): number => ring.reduce((sum, point) => sum + point[i], 0) / ring.length;
  return [mean(0), mean(1)];
};

/**
 * The panels that joints cut a face into. A joint counts as straight from its first point to its last, and runs on to the rim.
 *
 * @param outline of the face, m, three points or more
 * @param joints each two points or more apart; one whose ends lie on each other cuts nothing
 * @returns the whole face where nothing cuts it; their areas sum to the face's
 */
export function panelsOf({ outline, joints }: { readonly outline: readonly Point[]; readonly joints: readonly (readonly Point[])[] }): Panel[] {
  const { length_m, width_m } = extent(outline);
  const far_m = 4 * (length_m + width_m);
  let rings: (readonly Point[])[] = [outline];
  for (const joint of joints) {
    const [from, to] = [joint[0]!, joint.at(-1)!];
    const along_m = Math.hypot(to[0] - from[0], to[1] - from[1]);
    if (along_m === 0) continue;
    const [ux, uy] = [(to[0] - from[0]) / along_m, (to[1] - from[1]) / along_m];
    const at = (along: number, across: number): [number, number] => [from[0] + ux * along - uy * across, from[1] + uy * along + ux * across];
    const halves = [1, -1].map((side) => [at(-far_m, 0), at(far_m, 0), at(far_m, side * far_m), at(-far_m, side * far_m)]);
    rings = rings.flatMap((ring) =>
      halves.flatMap((half) => polygonClipping.intersection([ring.map(([x, y]): [number, number] => [x, y])], [half]).map(([outer]) => outer!.slice(0, -1))),
    );
  }
  return rings.map((ring) => ({ area_m2: polygonArea(ring), centre: centreOf(ring) }));
}
