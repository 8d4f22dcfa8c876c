import type { FindingInput, SurveyMark, WidthVisit } from '@tufa/core/survey';
import { nearestOnLine, outsiders, type DepthReading, type Point } from '@tufa/core/takeoff';
import type { ReadingFields, RowOf } from './entities';
import { ROW_KINDS } from './kinds';
import type { RowKind, Said } from './kinds/RowKind';

const DAY_S = 86400;

/** Widths read along a crack, a day's as one visit, in the order of time. */
export function visitsOf(readings: readonly ReadingFields[], finding: RowOf<'finding'>): WidthVisit[] {
  const days = new Map<number, [number, number][]>();
  for (const { kind, findingId, at, value, takenAt } of readings) {
    if (kind !== 'width' || findingId !== finding.id || !at) continue;
    const day = Math.floor(Date.parse(takenAt) / 1000 / DAY_S) * DAY_S;
    days.set(day, [...(days.get(day) ?? []), [nearestOnLine(at, finding.outline.points).along_m, value.value]]);
  }
  return [...days].sort(([a], [b]) => a - b).map(([at_s, widths]) => ({ at_s, widths: widths.sort(([a], [b]) => a - b) }));
}

const depthsOf = (readings: readonly ReadingFields[], findingId: string): DepthReading[] =>
  readings.flatMap(({ kind, findingId: of, at, value }): DepthReading[] => (kind === 'depth' && of === findingId && at ? [[at[0], at[1], value.value]] : []));

/** A row as the core measures it, with what was read of it and the openings of its element; a mark is no finding of its own. */
export function findingInputOf(finding: RowOf<'finding'>, readings: readonly ReadingFields[], openings: readonly (readonly Point[])[] = []): FindingInput[] {
  if (finding.kind === 'mark') return [];
  const { id, elementId, label, outline } = finding;
  const { phase } = finding.properties;
  const kind = ROW_KINDS[finding.kind] as RowKind<Said, FindingInput>;
  const told = kind.inputOf(finding, {
    // An outline drawn anew may leave a reading outside: it is kept, and not counted.
    depths: () => depthsOf(readings, id).filter(([x, y]) => outsiders([[x, y]], outline.points).length === 0),
    visits: () => visitsOf(readings, finding),
    openings,
  });
  return [{ id, elementId, label, ...(phase ? { phase } : {}), ...told }];
}

/** A mark as its element carries it. */
export const marksOf = (finding: RowOf<'finding'>): (SurveyMark & { elementId: string })[] =>
  finding.kind === 'mark'
    ? [{ id: finding.id, elementId: finding.elementId, label: finding.label, what: finding.properties.what, points: finding.outline.points }]
    : [];
