import type { ReadingFields, Row, RowOf } from '@tufa/contract/entities';
import type { Point } from '@tufa/core/takeoff';
import type { PlanFinding, PlanKind } from '@tufa/draw';
import { printFigure } from '@tufa/words';
import { textOf } from '../parts/quantityText';

type Finding = RowOf<'finding'>;

export const planKind = (finding: Finding): PlanKind => (finding.kind === 'mark' ? finding.properties.what : finding.kind);

/** What a label on the plan says beside the letter. */
function figureOf(finding: Finding): string {
  switch (finding.kind) {
    case 'spall':
      return textOf(finding.properties.deepest, 'length');
    case 'crack':
    case 'joint':
      return textOf(finding.properties.width, 'length');
    case 'edge':
      return textOf(finding.properties.down, 'length');
    case 'mark':
      return '';
  }
}

export const planFinding = (finding: Finding, chosen = false): PlanFinding => ({
  id: finding.id,
  label: finding.label,
  kind: planKind(finding),
  points: finding.outline.points,
  depth: figureOf(finding),
  chosen,
});

/** Depths and widths where they were read, printed for the plan. */
export const planReadings = (readings: readonly (ReadingFields & Row)[], elementId: string): { at: Point; text: string }[] =>
  readings.flatMap(({ kind, elementId: of, at, value }) =>
    (kind === 'depth' || kind === 'width') && of === elementId && at
      ? [{ at, text: value.typed ?? printFigure(kind === 'depth' ? 'depth_m' : 'width_m', value.value) }]
      : [],
  );

export const planTaps = (readings: readonly (ReadingFields & Row)[], elementId: string): { at: Point; hollow: boolean }[] =>
  readings.flatMap(({ kind, elementId: of, at, value }) => (kind === 'sounding' && of === elementId && at ? [{ at, hollow: value.value === 1 }] : []));
