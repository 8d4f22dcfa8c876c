import type { Reason } from '../choose/Reason';
import { SURVEY } from './constants';
import type { ElementInput } from './types';

/** A depth through the element, or over a third of a suspended one, stops it whatever was answered; half of it is borderline. */
export function depthReasons({ element, label, deepest_m }: { element: ElementInput; label: string; deepest_m: number }): readonly Reason[] {
  const thickness_m = element.thickness.value;
  const figures = { label, deepest_m, thickness_m };
  if (deepest_m >= thickness_m) return [{ code: 'verdict.depthThrough', verdict: 'no', figures }];
  if (element.suspended && deepest_m > thickness_m * SURVEY.suspendedDepthShare) return [{ code: 'verdict.depthOfSuspended', verdict: 'no', figures }];
  return deepest_m > thickness_m * SURVEY.halfDepthShare ? [{ code: 'verdict.depthHalf', verdict: 'caution', figures }] : [];
}
