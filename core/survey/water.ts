import type { Reason } from '../choose/Reason';
import type { Measured } from '../quantity';
import { extent, type Point } from '../takeoff';
import { SURVEY } from './constants';
import type { ElementInput, FindingInput } from './types';

/** From where work under water is done: from outside, by an arm, or by going in. */
export const WATER_ACCESS = ['outside', 'inside'] as const;

/** Water that stands in a tank or a cistern while the work is done. */
export interface StandingWater {
  /** over the foot of a wall, over the face of a floor */
  readonly level: Measured;
  readonly access: (typeof WATER_ACCESS)[number];
}

/** How a finding lies to the water, and how much of it stands over its deepest place, m. */
export interface Standing {
  readonly lies: 'above' | 'crosses' | 'under';
  readonly head_m: number;
}

/** Where water reaches up a wall, m down its own plane; null for what lies flat and for what stands dry. */
export function waterLine({ kind, outline, water }: Pick<ElementInput, 'kind' | 'outline' | 'water'>): number | null {
  if (!water || kind !== 'wall') return null;
  const { top_m, width_m } = extent(outline);
  return top_m + width_m - water.level.value;
}

/**
 * How what lies on an element lies to the water that stands there.
 *
 * @returns null where no water stands
 * @example standingOn({ kind: 'wall', outline, water: { level: 1.2 m } }, points) // { lies: 'under', head_m: 0.9 }
 */
export function standingOn(element: Pick<ElementInput, 'kind' | 'outline' | 'water'>, points: readonly Point[]): Standing | null {
  if (!element.water || points.length === 0) return null;
  const line_m = waterLine(element);
  if (line_m === null) return { lies: element.water.level.value > 0 ? 'under' : 'above', head_m: element.water.level.value };
  const { top_m, width_m } = extent(points);
  const head_m = Math.max(0, top_m + width_m - line_m);
  return { lies: head_m === 0 ? 'above' : top_m >= line_m ? 'under' : 'crosses', head_m };
}

/** Where a finding lies, as its corners or its line; nothing for what has no place on its element. */
export const placeOf = (finding: FindingInput): readonly Point[] => ('outline' in finding ? finding.outline : 'line' in finding ? finding.line : []);

/** What water that stands there makes of its findings: past an arm's reach, not under it at all, or under it and no void; and who may go in. */
export function waterReasons(element: ElementInput, findings: readonly FindingInput[]): Reason[] {
  if (!element.water) return [];
  const found = findings.flatMap((finding): Reason[] => {
    const standing = standingOn(element, placeOf(finding));
    if (!standing) return [];
    const { label } = finding;
    const { lies, head_m } = standing;
    if (lies === 'above') return finding.kind === 'void' ? [{ code: 'verdict.aboveWater', verdict: 'caution', figures: { label } }] : [];
    return [
      ...(finding.kind === 'void' ? [] : [{ code: 'verdict.notVoid', verdict: 'caution', figures: { label } } as const]),
      ...(head_m > SURVEY.armReach_m
        ? [{ code: 'verdict.pastReach', verdict: 'caution', figures: { label, head_m, reach_m: SURVEY.armReach_m } } as const]
        : []),
    ];
  });
  return [...found, ...(element.water.access === 'inside' ? [{ code: 'verdict.entry', verdict: 'no', figures: {} } as const] : [])];
}
