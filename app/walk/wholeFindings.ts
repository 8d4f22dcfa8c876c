import type { ElementGeometry, FirmData, RowOf } from '@tufa/contract/entities';
import { facePoints, movedWith, onStepAt, type Flight } from '@tufa/core/survey';
import type { Point } from '@tufa/core/takeoff';
import { planKind } from '@tufa/words/survey';
import { typedKind } from './kinds';

/** Whether a finding is all of its element: a layer or a top with the element's own outline. */
export const isWhole = (finding: RowOf<'finding'>, element: RowOf<'element'>): boolean =>
  typedKind(planKind(finding))?.ways.includes('whole') === true && sameOutline(finding.outline.points, element.geometry.outline);

/** Whether a finding is a whole face of a flight: a riser, a tread, or a nosing from side to side. */
export function isFace({ outline: { points } }: Pick<RowOf<'finding'>, 'outline'>, { geometry: { flight } }: Pick<RowOf<'element'>, 'geometry'>): boolean {
  const on = flight ? onStepAt(flight, points) : null;
  return on !== null && sameOutline(points, facePoints(flight!, on) ?? []);
}

/** What lies on a step that a flight measured anew no longer has; nothing where all of it still has its face. */
export function leftBehind(data: Pick<FirmData, 'finding'>, element: RowOf<'element'>, { flight }: ElementGeometry): RowOf<'finding'> | undefined {
  const was = element.geometry.flight;
  if (!was || !flight) return undefined;
  return Object.values(data.finding).find(({ elementId, removed, outline }) => {
    const on = elementId === element.id && !removed ? onStepAt(was, outline.points) : null;
    return on !== null && on.step > flight.steps.length;
  });
}

/** What is found on an element that was measured anew: what is all of it stays all of it, a whole face stays whole, and on a flight the rest keeps to its face. */
export function movedFindings(
  data: Pick<FirmData, 'finding'>,
  element: RowOf<'element'>,
  geometry: ElementGeometry,
): { finding: RowOf<'finding'>; points: readonly Point[] }[] {
  const { flight } = element.geometry;
  const onFlight = (finding: RowOf<'finding'>, is: Flight, was: Flight): readonly Point[] => {
    const { points } = finding.outline;
    const on = onStepAt(was, points);
    return (isFace(finding, element) && on ? facePoints(is, on) : null) ?? movedWith(was, is, points);
  };
  return Object.values(data.finding)
    .filter((finding) => finding.elementId === element.id && !finding.removed)
    .flatMap((finding) => {
      const points = isWhole(finding, element)
        ? geometry.outline
        : flight && geometry.flight
          ? onFlight(finding, geometry.flight, flight)
          : finding.outline.points;
      return sameOutline(points, finding.outline.points) ? [] : [{ finding, points }];
    });
}

/** Nearer than this two places are one: a size that is typed again is the same but for its last digit, m. */
const SAME_M = 1e-9;

const sameOutline = (a: readonly Point[], b: readonly Point[]): boolean =>
  a.length === b.length && a.every(([x, y], i) => Math.abs(x - b[i]![0]) < SAME_M && Math.abs(y - b[i]![1]) < SAME_M);
