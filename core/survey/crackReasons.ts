import type { Reason } from '../choose/Reason';
import { SURVEY } from './constants';
import { crackMovement } from './crackMovement';
import { jointsWork } from './jointsWork';
import { supportOf } from './supportOf';
import type { CrackInput, ElementInput, FindingInput } from './types';

interface CrackSite {
  readonly element: ElementInput;
  readonly findings: readonly FindingInput[];
}

/** How the element is carried, as what moves in it asks: a slab on the ground gets a joint, everything else stops. */
function groundOf(element: ElementInput): 'ground' | 'else' | 'open' {
  if (element.kind !== 'slab') return 'else';
  const support = supportOf(element);
  return support === 'carried' ? 'else' : support;
}

/** Growth stops everywhere, whatever was answered; what opens and closes stops but in a slab on the ground, where it gets a joint. */
function movingReason({ label, moves, visits = [] }: CrackInput, element: ElementInput): Reason | null {
  const seen = crackMovement(visits);
  if (seen?.code === 'growing')
    return { code: 'verdict.crackGrew', verdict: 'no', figures: { label, change_m: seen.change_m, error_m: seen.error_m, apart_s: seen.apart_s } };
  const ground = groundOf(element);
  if (seen?.code === 'moving' || moves === 'yes') {
    const code = { ground: 'verdict.crackMovesJoint', else: 'verdict.crackMoves', open: 'verdict.crackMovesOpen' } as const;
    return { code: code[ground], verdict: ground === 'else' ? 'no' : 'caution', figures: { label } };
  }
  return moves === 'unknown' && seen?.code !== 'dormant'
    ? { code: ground === 'ground' ? 'verdict.crackUnknownJoint' : 'verdict.crackUnknown', verdict: 'caution', figures: { label } }
    : null;
}

/** A panel's length over its thickness where a crack of it does a missing joint's work; null where it does not. */
function jointsRatio({ line }: CrackInput, { element, findings }: CrackSite): number | null {
  if (element.kind !== 'slab' || supportOf(element) === 'carried' || findings.some(({ kind }) => kind === 'groove')) return null;
  return jointsWork({ line, outline: element.outline, thickness_m: element.thickness.value });
}

/** Whether nothing rigid may fill a crack: it was seen or said to move, or it does a joint's work. */
export const crackMoves = (finding: CrackInput, site: CrackSite | undefined): boolean => {
  const seen = crackMovement(finding.visits ?? [])?.code;
  return finding.moves === 'yes' || seen === 'moving' || seen === 'growing' || (site !== undefined && jointsRatio(finding, site) !== null);
};

/** A crack with a step, one that grows, or one that moves in anything but a slab on the ground, stops; one may do a missing joint's work. */
export function crackReasons(finding: CrackInput, site: CrackSite): readonly Reason[] {
  const reasons: Reason[] = [];
  const { label, lip_m = 0 } = finding;
  if (lip_m > SURVEY.lip_m) reasons.push({ code: 'verdict.crackStep', verdict: 'no', figures: { label, lip_m } });
  const moving = movingReason(finding, site.element);
  if (moving) reasons.push(moving);
  const ratio = jointsRatio(finding, site);
  if (ratio !== null) reasons.push({ code: 'verdict.jointsWork', verdict: 'caution', figures: { label, ratio } });
  return reasons;
}
