import type { ElementInput, FindingInput } from '../../survey';
import { asksOf } from '../kinds';

/** Whether neither rain nor sun can reach a finding: indoors, on the underside of something, or under water. */
export const sheltered = (element: ElementInput, finding: FindingInput): boolean =>
  element.sun?.exposure === 'indoors' || element.kind === 'soffit' || asksOf(finding).underWater;
