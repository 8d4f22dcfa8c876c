import { outsiders, polygonArea, type Point } from '@tufa/core/takeoff';

/** Openings of an element that an outline goes around: left bare, or cut out, m2; none where they would leave nothing of it. */
export function cutoutsIn(points: readonly Point[], openings: readonly (readonly Point[])[]): number[] {
  const cutouts_m2 = openings.filter((opening) => outsiders(opening, points).length === 0).map((opening) => polygonArea(opening));
  return cutouts_m2.reduce((sum, area_m2) => sum + area_m2, 0) < polygonArea(points) ? cutouts_m2 : [];
}
