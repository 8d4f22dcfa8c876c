import { lineLength, outsiders, polygonArea, roundedOutline, type Point } from '@tufa/core/takeoff';
import { Problem } from '@tufa/core/quantity';
import { flightOutline, flightSurvey, type Flight } from '@tufa/core/survey';
import { LIMITS, type Limit } from './limits';
import { AID_CLASSES, contradictions, type Sheet } from '@tufa/core/shelf';
import { holesOf, type CounterProperties } from './kinds/counter';
import { LINE_LEAST_M } from './kinds/RowKind';
import { ROW_KINDS, type RepairedKind } from './kinds';
import type { Fault } from './Fault';

/** What a schema of one shape for every reading cannot see: each kind's own limits. */
function readingFault(change: Readonly<Record<string, unknown>>): Fault | null {
  const limit = LIMITS[change['kind'] as Limit];
  const { value } = (change['value'] ?? {}) as { value?: unknown };
  if (!('takenAt' in change) || limit === undefined || typeof value !== 'number') return null;
  if (value < limit.least) return { field: 'value.value', code: 'field.number.min', figures: { limit: limit.least } };
  return value > limit.most ? { field: 'value.value', code: 'field.number.max', figures: { limit: limit.most } } : null;
}

/** A sheet that contradicts itself, or is another's. */
function sheetFault(change: Readonly<Record<string, unknown>>): Fault | null {
  const sheet = change['sheet'] as Sheet | undefined;
  if (!sheet || !('revision' in change)) return null;
  if (sheet.productId !== change['productId']) return { field: 'sheet.productId', code: 'anotherProduct', figures: {} };
  if ((AID_CLASSES as readonly string[]).includes(sheet.class)) return null;
  const [first] = contradictions(sheet);
  return first ? { field: `sheet.${first.field}`, code: first.code, figures: first.figures } : null;
}

/** How short what a change draws as a line may be, m; null for an outline. */
function lineLeast({ kind, properties }: { readonly kind?: string; readonly properties?: { readonly what?: string } }): number | null {
  if (kind === 'mark') return properties?.what === 'fall' ? LINE_LEAST_M : null;
  return kind !== undefined && Object.hasOwn(ROW_KINDS, kind) ? ROW_KINDS[kind as RepairedKind].lineLeast_m : null;
}

/** Risers that miss the height measured by itself, or an outline that is not the flight laid flat. */
function senseOfFlight(geometry: unknown): Fault | null {
  const { flight, outline } = (geometry ?? {}) as { flight?: Flight; outline?: readonly Point[] };
  if (!flight) return null;
  try {
    flightSurvey(flight);
  } catch (error) {
    if (error instanceof Problem) return { field: 'geometry.flight.height', code: error.code, figures: error.figures };
    throw error;
  }
  const [laid, drawn] = [flightOutline(flight), outline ?? []];
  const same = laid.length === drawn.length && laid.every(([x, y], i) => Math.abs(x - drawn[i]![0]) < 1e-6 && Math.abs(y - drawn[i]![1]) < 1e-6);
  return same ? null : { field: 'geometry.outline', code: 'flightOutline', figures: {} };
}

/** A tap hole outside its top, or a corner rounder than its sides. */
function senseOfCounter({
  kind,
  outline,
  properties,
}: {
  kind?: string;
  outline?: { points?: readonly Point[] };
  properties?: Partial<CounterProperties>;
}): Fault | null {
  const points = outline?.points;
  if (kind !== 'counter' || !points || points.length < 3) return null;
  const outside = holesOf(points, properties?.holes ?? []).findIndex((hole) => outsiders(hole.outline, points).length > 0);
  if (outside >= 0) return { field: `properties.holes.${outside}`, code: 'holeOutside', figures: {} };
  try {
    roundedOutline({ outline: points, radii: (properties?.radii ?? []).map(({ corner, radius }) => ({ corner, radius_m: radius.value })) });
  } catch (error) {
    if (error instanceof Problem)
      return { field: `properties.radii.${Number((error.figures as { corner?: number }).corner) - 1}`, code: error.code, figures: error.figures };
    throw error;
  }
  return null;
}

/** What a schema cannot see: an outline that crosses itself or has no area, a reading outside its kind's limits. Form and server both ask. */
export function senseOf(change: Readonly<Record<string, unknown>>): Fault | null {
  const fault = readingFault(change) ?? sheetFault(change);
  if (fault) return fault;
  const geometry = change['geometry'] as { outline?: readonly Point[]; openings?: readonly (readonly Point[])[] } | undefined;
  const shapeFault = senseOfFlight(change['geometry']) ?? senseOfCounter(change);
  if (shapeFault) return shapeFault;
  const outline = change['outline'] as { points?: readonly Point[] } | undefined;
  // A line of two points is a crack or an edge: only an outline can cross itself or vanish.
  const least_m = lineLeast(change);
  const parts = [
    ['geometry.outline', geometry?.outline],
    ...(geometry?.openings ?? []).map((opening, i) => [`geometry.openings.${i}`, opening] as const),
    ['outline.points', least_m === null ? outline?.points : undefined],
  ] as const;
  if (least_m !== null && outline?.points && !(lineLength(outline.points) > least_m)) return { field: 'outline.points', code: 'lineVanishes', figures: {} };
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
