import type { Reason } from '../choose/Reason';
import { deepestOf, STOP_QUESTIONS, type ElementInput, type FindingInput } from './types';

export interface Verdict {
  readonly code: 'repairable' | 'borderline' | 'stop';
  readonly reasons: readonly Reason[];
}

/** Depth of a suspended member beyond which a licensed engineer decides, as a share of its thickness. */
export const SUSPENDED_DEPTH_SHARE = 1 / 3;

/**
 * Whether this may be repaired without asking anybody: any stop question answered yes or don't know stops it, and so
 * does a depth over a third of a suspended member whatever was answered. A question not yet answered stops it too.
 */
export function verdictOf({ element, findings }: { element: ElementInput; findings: readonly FindingInput[] }): Verdict {
  const reasons: Reason[] = [];
  for (const question of STOP_QUESTIONS) {
    const answer = element.stops[question];
    if (answer !== 'no') reasons.push({ code: `stop.${question}`, verdict: 'no', figures: { answer: answer ?? 'unanswered' } });
  }
  for (const finding of findings) {
    // What is laid on top or built anew does not cut into what carries; a joint or crack may go through.
    if (finding.kind !== 'spall' && finding.kind !== 'void' && finding.kind !== 'edge') continue;
    const deepest_m = deepestOf(finding);
    const figures = { label: finding.label, deepest_m, thickness_m: element.thickness.value };
    if (deepest_m >= element.thickness.value) reasons.push({ code: 'verdict.depthThrough', verdict: 'no', figures });
    else if (element.suspended && deepest_m > element.thickness.value * SUSPENDED_DEPTH_SHARE)
      reasons.push({ code: 'verdict.depthOfSuspended', verdict: 'no', figures });
    else if (deepest_m > element.thickness.value * 0.5) reasons.push({ code: 'verdict.depthHalf', verdict: 'caution', figures });
  }
  if (reasons.some(({ verdict }) => verdict === 'no')) return { code: 'stop', reasons };
  if (reasons.length > 0) return { code: 'borderline', reasons };
  return { code: 'repairable', reasons: [{ code: 'verdict.clear', verdict: 'yes', figures: {} }] };
}
