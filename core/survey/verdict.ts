import type { Reason } from '../choose/Reason';
import { polygonArea } from '../takeoff';
import { crackMovement } from './crackMovement';
import { SURVEY } from './constants';
import { jointsWork } from './jointsWork';
import { deepestOf, netArea, STOP_QUESTIONS, type CrackInput, type ElementInput, type FindingInput } from './types';

/** Whether an element may be repaired, and why. */
export interface Verdict {
  readonly code: 'repairable' | 'borderline' | 'stop';
  readonly reasons: readonly Reason[];
}

/** What a verdict is reached from. */
export interface VerdictInput {
  readonly element: ElementInput;
  readonly findings: readonly FindingInput[];
  /** share that rings hollow with its interval, where it was sounded */
  readonly hollow?: { readonly share: number; readonly low: number; readonly high: number } | null;
}

type Rule = (input: VerdictInput) => readonly Reason[];

/** Any of the five questions answered yes or don't know stops it; so does one not yet answered. */
const questionsRule: Rule = ({ element }) =>
  STOP_QUESTIONS.flatMap((question): Reason[] => {
    const answer = element.stops[question];
    return answer === 'no' ? [] : [{ code: `stop.${question}`, verdict: 'no', figures: { answer: answer ?? 'unanswered' } }];
  });

/** A depth through the element, or over a third of a suspended one, whatever was answered. */
const depthRule: Rule = ({ element, findings }) =>
  findings.flatMap((finding): Reason[] => {
    // What is laid on top or built anew does not cut into what carries; a joint or crack may go through.
    if (finding.kind !== 'spall' && finding.kind !== 'void' && finding.kind !== 'edge') return [];
    const deepest_m = deepestOf(finding);
    const thickness_m = element.thickness.value;
    const figures = { label: finding.label, deepest_m, thickness_m };
    if (deepest_m >= thickness_m) return [{ code: 'verdict.depthThrough', verdict: 'no', figures }];
    if (element.suspended && deepest_m > thickness_m * SURVEY.suspendedDepthShare) return [{ code: 'verdict.depthOfSuspended', verdict: 'no', figures }];
    return deepest_m > thickness_m * SURVEY.halfDepthShare ? [{ code: 'verdict.depthHalf', verdict: 'caution', figures }] : [];
  });

/** How much of it rings hollow; outlined hollow areas count where nobody sounded a grid. */
const hollowRule: Rule = ({ element, hollow }) => {
  const outlined = (element.marks ?? []).filter(({ what }) => what === 'hollow');
  const drawn = outlined.reduce((sum, { points }) => sum + polygonArea(points), 0) / netArea(element);
  const share = hollow?.share ?? drawn;
  const figures = { hollow_share: share, low_share: hollow?.low ?? share, high_share: hollow?.high ?? share };
  if (share >= SURVEY.hollowMost) return [{ code: 'verdict.hollowMost', verdict: 'caution', figures }];
  return share >= SURVEY.hollowCaution ? [{ code: 'verdict.hollowMuch', verdict: 'caution', figures }] : [];
};

/** Rust that was drawn stops, whatever was answered. */
const rustRule: Rule = ({ element }) =>
  (element.marks ?? []).some(({ what }) => what === 'rust')
    ? [{ code: 'verdict.rust', verdict: 'no', figures: { label: (element.marks ?? []).find(({ what }) => what === 'rust')?.label ?? '' } }]
    : [];

const wetRule: Rule = ({ element }) =>
  (element.marks ?? []).flatMap(({ what, label }): Reason[] => (what === 'wet' ? [{ code: 'verdict.wet', verdict: 'caution', figures: { label } }] : []));

const earlierRule: Rule = ({ element }) => (element.earlier === 'failed' ? [{ code: 'verdict.patchesFailed', verdict: 'caution', figures: {} }] : []);

/** A repair over a cause that goes on fails as what it repairs has failed. */
const causeRule: Rule = ({ element }) => {
  if (element.causeGoesOn === 'yes') return [{ code: 'verdict.causeGoesOn', verdict: 'caution', figures: {} }];
  return element.causeGoesOn === 'unknown' ? [{ code: 'verdict.causeUnknown', verdict: 'caution', figures: {} }] : [];
};

/** A crack with a step, or one that moves in anything but a slab on the ground, stops; there it gets a joint. */
const cracksRule: Rule = ({ element, findings }) =>
  findings.flatMap((finding): Reason[] => {
    if (finding.kind !== 'crack') return [];
    const reasons: Reason[] = [];
    const { label, lip_m = 0 } = finding;
    if (lip_m > SURVEY.lip_m) reasons.push({ code: 'verdict.crackStep', verdict: 'no', figures: { label, lip_m } });
    const onGround = element.kind === 'slab' && !element.suspended;
    const moving = movingReason(finding, onGround);
    if (moving) reasons.push(moving);
    const ratio = jointsWork({ line: finding.line, outline: element.outline, thickness_m: element.thickness.value });
    if (ratio !== null && onGround && !findings.some(({ kind }) => kind === 'groove'))
      reasons.push({ code: 'verdict.jointsWork', verdict: 'caution', figures: { label, ratio } });
    return reasons;
  });

/** What moves stops, but in a slab on the ground: there it gets a joint. */
function movingReason({ label, moves, visits = [] }: CrackInput, onGround: boolean): Reason | null {
  const seen = crackMovement(visits);
  const verdict = onGround ? 'caution' : 'no';
  if (seen?.code === 'moving') {
    const figures = { label, change_m: seen.change_m, error_m: seen.error_m, apart_s: seen.apart_s };
    return { code: onGround ? 'verdict.crackGrewJoint' : 'verdict.crackGrew', verdict, figures };
  }
  if (moves === 'yes') return { code: onGround ? 'verdict.crackMovesJoint' : 'verdict.crackMoves', verdict, figures: { label } };
  return moves === 'unknown' && seen?.code !== 'dormant'
    ? { code: onGround ? 'verdict.crackUnknownJoint' : 'verdict.crackUnknown', verdict: 'caution', figures: { label } }
    : null;
}

const RULES: readonly Rule[] = [questionsRule, depthRule, rustRule, cracksRule, hollowRule, wetRule, earlierRule, causeRule];

/** Whether this may be repaired without asking anybody, by every rule, each with its figures. */
export function verdictOf(input: VerdictInput): Verdict {
  const reasons = RULES.flatMap((rule) => rule(input));
  if (reasons.some(({ verdict }) => verdict === 'no')) return { code: 'stop', reasons };
  if (reasons.length > 0) return { code: 'borderline', reasons };
  return { code: 'repairable', reasons: [{ code: 'verdict.clear', verdict: 'yes', figures: {} }] };
}
