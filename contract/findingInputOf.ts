import type { Measured } from '@tufa/core/quantity';
import type { FindingInput, SurveyMark, WidthVisit } from '@tufa/core/survey';
import { lineLength, nearestOnLine, outsiders, polygonArea, TAKEOFF, type DepthReading, type Point } from '@tufa/core/takeoff';
import type { ReadingFields, RowOf } from './entities';

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

const drawn = (value: number): Measured => ({ value, source: 'typed' });

/** Openings of an element that an outline goes around: left bare, or cut out, m2; none where they would leave nothing of it. */
function cutoutsIn(points: readonly Point[], openings: readonly (readonly Point[])[]): number[] {
  const cutouts_m2 = openings.filter((opening) => outsiders(opening, points).length === 0).map((opening) => polygonArea(opening));
  return cutouts_m2.reduce((sum, area_m2) => sum + area_m2, 0) < polygonArea(points) ? cutouts_m2 : [];
}

/** A row as the core measures it, with what was read of it and the openings of its element; a mark is no finding of its own. */
export function findingInputOf(finding: RowOf<'finding'>, readings: readonly ReadingFields[], openings: readonly (readonly Point[])[] = []): FindingInput[] {
  const { id, elementId, label, outline } = finding;
  const { phase } = finding.properties;
  const base = { id, elementId, label, ...(phase ? { phase } : {}) };
  const { points } = outline;
  switch (finding.kind) {
    case 'mark':
      return [];
    case 'spall': {
      const { deepest, shape, edge, cutDepth } = finding.properties;
      // An outline drawn anew may leave a reading outside: it is kept, and not counted.
      const depths = depthsOf(readings, id).filter(([x, y]) => outsiders([[x, y]], points).length === 0);
      const cut = cutDepth ? { cutDepth_m: cutDepth.value } : {};
      return [{ ...base, kind: 'spall', outline: points, deepest, shape, edge, ...(depths.length > 0 ? { readings: depths } : {}), ...cut }];
    }
    case 'crack': {
      const { profile, width, depth, moves, lip } = finding.properties;
      const visits = visitsOf(readings, finding);
      return [
        {
          ...base,
          kind: 'crack',
          line: points,
          profile,
          widths: visits.at(-1)?.widths ?? [[0, width.value]],
          depth,
          cap_m: Math.min(depth.value, TAKEOFF.cap_m),
          runaway: 0,
          moves,
          ...(lip ? { lip_m: lip.value } : {}),
          ...(visits.length > 0 ? { visits } : {}),
        },
      ];
    }
    case 'joint': {
      const { width, depth, between } = finding.properties;
      const moves = between ? { between_m: between.value, range_K: TAKEOFF.seasons_K, movementClass: TAKEOFF.sealantMovement } : null;
      return [{ ...base, kind: 'groove', line: points, width, depth, blade_m: TAKEOFF.blade_m, moves }];
    }
    case 'edge': {
      const { section, across, down } = finding.properties;
      return [{ ...base, kind: 'edge', section, length: drawn(lineLength(points)), across, down }];
    }
    case 'skim': {
      const { thickness, profile } = finding.properties;
      const cutouts_m2 = cutoutsIn(points, openings);
      return [{ ...base, kind: 'skim', outline: points, thickness, profile, ...(cutouts_m2.length > 0 ? { cutouts_m2 } : {}) }];
    }
    case 'wedge': {
      const { run, rise } = finding.properties;
      return [{ ...base, kind: 'wedge', run, rise, width: drawn(lineLength(points)) }];
    }
    case 'step': {
      const { going, rise, steps, stays } = finding.properties;
      const width_m = lineLength(points);
      const { treadPitch: pitch, propAngle_rad } = TAKEOFF;
      return [{ ...base, kind: 'step', width: drawn(width_m), going, rise, steps, stays_m3: stays * width_m * going.value * rise.value, pitch, propAngle_rad }];
    }
    case 'counter': {
      const { thickness, dropped } = finding.properties;
      const edges = dropped ? [{ length_m: dropped.length.value, across_m: dropped.across.value, down_m: dropped.down.value }] : [];
      const { formStock_m: stock_m, formKerf_m: kerf_m } = TAKEOFF;
      return [{ ...base, kind: 'counter', outline: points, cutouts_m2: cutoutsIn(points, openings), thickness, edges, stock_m, kerf_m }];
    }
    case 'void': {
      const { deepest, shape } = finding.properties;
      return [{ ...base, kind: 'void', outline: points, deepest, shape }];
    }
  }
}

/** A mark as its element carries it. */
export const marksOf = (finding: RowOf<'finding'>): (SurveyMark & { elementId: string })[] =>
  finding.kind === 'mark'
    ? [{ id: finding.id, elementId: finding.elementId, label: finding.label, what: finding.properties.what, points: finding.outline.points }]
    : [];
