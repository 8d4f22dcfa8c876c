import type { Reason } from '../choose/Reason';
import { polygonArea } from '../takeoff';
import { SURVEY } from './constants';
import { flightReasons } from './flightSurvey';
import { netArea, STOP_QUESTIONS, type ElementInput } from './types';

/** Whether an element may be repaired, and why. */
export interface Verdict {
  readonly code: 'repairable' | 'borderline' | 'stop';
  readonly reasons: readonly Reason[];
}

/** What a verdict is reached from. */
export interface VerdictInput {
  readonly element: ElementInput;
  /** what its findings have to say, each by its kind */
  readonly found: readonly Reason[];
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

/** What nobody has answered is judged at its worse: an earlier repair that may have failed. */
const earlierRule: Rule = ({ element: { earlier } }) => {
  if (earlier === undefined) return [{ code: 'verdict.earlierUnknown', verdict: 'caution', figures: {} }];
  return earlier === 'failed' ? [{ code: 'verdict.patchesFailed', verdict: 'caution', figures: {} }] : [];
};

/** A repair over a cause that goes on fails as what it repairs has failed. */
const causeRule: Rule = ({ element }) => {
  if (element.causeGoesOn === 'yes') return [{ code: 'verdict.causeGoesOn', verdict: 'caution', figures: {} }];
  return element.causeGoesOn === 'unknown' || element.causeGoesOn === undefined ? [{ code: 'verdict.causeUnknown', verdict: 'caution', figures: {} }] : [];
};

const flightRule: Rule = ({ element: { flight } }) => (flight ? flightReasons(flight) : []);

const RULES: readonly Rule[] = [questionsRule, ({ found }) => found, rustRule, flightRule, hollowRule, wetRule, earlierRule, causeRule];

/** Whether an element may be repaired without asking anybody, by every rule and by what its findings say, each with its figures. */
export function elementVerdict(input: VerdictInput): Verdict {
  const reasons = RULES.flatMap((rule) => rule(input));
  if (reasons.some(({ verdict }) => verdict === 'no')) return { code: 'stop', reasons };
  if (reasons.length > 0) return { code: 'borderline', reasons };
  return { code: 'repairable', reasons: [{ code: 'verdict.clear', verdict: 'yes', figures: {} }] };
}
