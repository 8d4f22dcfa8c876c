import type { Point } from './polygonArea';

/** The box around an outline: where it begins and how far it goes, m. */
export interface Extent {
  readonly left_m: number;
  readonly top_m: number;
  readonly length_m: number;
  readonly width_m: number;
}

/**
 * The box around an outline or a line.
 *
 * @example extent([[1, 2], [4, 2], [4, 3]]) // { left_m: 1, top_m: 2, length_m: 3, width_m: 1 }
 */
export function extent(points: readonly Point[]): Extent {
  const [xs, ys] = [points.map(([x]) => x), points.map(([, y]) => y)];
  const [left_m, top_m] = [Math.min(...xs), Math.min(...ys)];
  return { left_m, top_m, length_m: Math.max(...xs) - left_m, width_m: Math.max(...ys) - top_m };
}
