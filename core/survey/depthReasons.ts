import type { Reason } from '../choose/Reason';
import { SURVEY } from './constants';
import { supportOf } from './supportOf';
import type { ElementInput } from './types';

/** A depth through the element, or over a third of one that is carried, stops it whatever was answered; half of it is borderline, and so is a third where nobody has said what carries it. */
export function depthReasons({ element, label, deepest_m }: { element: ElementInput; label: string; deepest_m: number }): readonly Reason[] {
  const thickness_m = element.thickness.value;
  const figures = { label, deepest_m, thickness_m };
  if (deepest_m >= thickness_m) return [{ code: 'verdict.depthThrough', verdict: 'no', figures }];
  const support = supportOf(element);
  if (support !== 'ground' && deepest_m > thickness_m * SURVEY.suspendedDepthShare)
    return support === 'carried'
      ? [{ code: 'verdict.depthOfSuspended', verdict: 'no', figures }]
      : [{ code: 'verdict.depthOpen', verdict: 'caution', figures }];
  return deepest_m > thickness_m * SURVEY.halfDepthShare ? [{ code: 'verdict.depthHalf', verdict: 'caution', figures }] : [];
}
