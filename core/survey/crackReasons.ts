import type { Reason } from '../choose/Reason';
import { SURVEY } from './constants';
import { crackMovement } from './crackMovement';
import { jointsWork } from './jointsWork';
import type { CrackInput, ElementInput, FindingInput } from './types';

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

/** A crack with a step, or one that moves in anything but a slab on the ground, stops; one may do a missing joint's work. */
export function crackReasons(finding: CrackInput, { element, findings }: { element: ElementInput; findings: readonly FindingInput[] }): readonly Reason[] {
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
}
