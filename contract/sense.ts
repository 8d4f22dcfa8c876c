import { polygonArea, type Point } from '@tufa/core/takeoff';
import { Problem } from '@tufa/core/quantity';
import type { Fault } from './validate';

/** What a schema cannot see: an outline that crosses itself or has no area. Form and server both ask. */
export function senseOf(change: Readonly<Record<string, unknown>>): Fault | null {
  const geometry = change['geometry'] as { outline?: readonly Point[] } | undefined;
  const outline = change['outline'] as { points?: readonly Point[] } | undefined;
  const parts = [
    ['geometry.outline', geometry?.outline],
    ['outline.points', outline?.points],
  ] as const;
  for (const [field, points] of parts) {
    if (!points) continue;
    try {
      polygonArea(points);
    } catch (error) {
      if (error instanceof Problem) return { field, code: error.code, figures: error.figures };
      throw error;
    }
  }
  return null;
}
