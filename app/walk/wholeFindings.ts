import type { FirmData, RowOf } from '@tufa/contract/entities';
import type { Point } from '@tufa/core/takeoff';
import { planKind } from '@tufa/words/survey';
import { typedKind } from './kinds';

/** Whether a finding is all of its element: a layer or a top with the element's own outline. */
export const isWhole = (finding: RowOf<'finding'>, element: RowOf<'element'>): boolean =>
  typedKind(planKind(finding))?.ways.includes('whole') === true && sameOutline(finding.outline.points, element.geometry.outline);

/** Findings that are all of an element, and go with its outline when that changes. */
export const wholeFindings = (data: Pick<FirmData, 'finding'>, element: RowOf<'element'>): RowOf<'finding'>[] =>
  Object.values(data.finding).filter((finding) => finding.elementId === element.id && !finding.removed && isWhole(finding, element));

const sameOutline = (a: readonly Point[], b: readonly Point[]): boolean => a.length === b.length && a.every(([x, y], i) => x === b[i]![0] && y === b[i]![1]);
