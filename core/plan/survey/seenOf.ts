import type { Reason } from '../../choose';
import { stopKey, type ElementInput, type FindingInput, type Seen } from '../../survey';
import { extent, polygonArea, type Point } from '../../takeoff';
import { takeOffOf } from './takeOffOf';

/** The middle of what encloses it. */
function middleOf(points: readonly Point[]): Point {
  const { left_m, top_m, length_m, width_m } = extent(points);
  return [left_m + length_m / 2, top_m + width_m / 2];
}

/** What a finding measures, and where it lies, where it was drawn. */
function ofFinding(finding: FindingInput): Seen {
  const { deepest_m, area_m2, length_m, more } = takeOffOf(finding);
  const points = 'outline' in finding ? finding.outline : 'line' in finding ? finding.line : null;
  return {
    deepest_m,
    ...(length_m === null ? { area_m2 } : { length_m }),
    ...(more['width_m'] === undefined ? {} : { width_m: more['width_m'] }),
    ...(points ? { at: middleOf(points) } : {}),
  };
}

/** Marks of a kind together: how much, and where the first lies. */
function ofMarks(points: readonly (readonly Point[])[]): Seen {
  return points.length === 0 ? {} : { area_m2: points.reduce((sum, outline) => sum + polygonArea(outline), 0), at: middleOf(points[0]!) };
}

/** What was found on the whole element: an answer is given for no more than that. */
function ofElement(findings: readonly FindingInput[]): Seen {
  const all = findings.map(ofFinding);
  return all.length === 0
    ? {}
    : { deepest_m: Math.max(...all.map(({ deepest_m = 0 }) => deepest_m)), area_m2: all.reduce((sum, { area_m2 = 0 }) => sum + area_m2, 0) };
}

/** What each reason that stops an element is like now, by its key. */
export function seenOf({
  element,
  findings,
  reasons,
}: {
  element: ElementInput;
  findings: readonly FindingInput[];
  reasons: readonly Reason[];
}): Readonly<Record<string, Seen>> {
  const rust = (element.marks ?? []).filter(({ what }) => what === 'rust').map(({ points }) => points);
  return Object.fromEntries(
    reasons
      .filter(({ verdict }) => verdict === 'no')
      .map((reason) => {
        const { figures } = reason;
        const finding = 'label' in figures ? findings.find(({ label }) => label === figures.label) : undefined;
        const seen: Seen = {
          ...(finding ? ofFinding(finding) : reason.code === 'verdict.rust' ? ofMarks(rust) : {}),
          ...('answer' in figures ? { ...ofElement(findings), answer: figures.answer } : {}),
          ...('thickness_m' in figures ? { thickness_m: figures.thickness_m } : {}),
          ...('deepest_m' in figures ? { deepest_m: figures.deepest_m } : {}),
          ...('lip_m' in figures ? { step_m: figures.lip_m } : {}),
          ...('change_m' in figures ? { step_m: Math.abs(figures.change_m) } : {}),
        };
        return [stopKey(reason), seen];
      }),
  );
}
