import { nearestOnLine, type Point } from '@tufa/core/takeoff';

/** What a tapped place may snap to. */
export interface Snapping {
  /** corners already there: they win over the grid */
  readonly corners: readonly Point[];
  /** the element's edge */
  readonly outline: readonly Point[];
  /** m; 0 for none */
  readonly grid_m: number;
  /** how near is near, m */
  readonly reach_m: number;
}

/** A thumb is no finer. */
export const millimetre = (value: number): number => Math.round(value * 1000) / 1000;

/** The nearest corner, else the edge, else the grid, else the place itself to the millimetre: a thumb is no finer. */
export function snap(at: Point, { corners, outline, grid_m, reach_m }: Snapping): Point {
  let best: { point: Point; off: number } | null = null;
  for (const point of corners) {
    const off = Math.hypot(point[0] - at[0], point[1] - at[1]);
    if (off <= reach_m && (!best || off < best.off)) best = { point, off };
  }
  if (best) return best.point;
  const edge = nearestOnLine(at, outline, true);
  if (edge.off_m <= reach_m / 2) return [millimetre(edge.at[0]), millimetre(edge.at[1])];
  if (grid_m > 0) return [millimetre(Math.round(at[0] / grid_m) * grid_m), millimetre(Math.round(at[1] / grid_m) * grid_m)];
  return [millimetre(at[0]), millimetre(at[1])];
}
