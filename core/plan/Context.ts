import type { Sheet } from '../shelf';
import type { ElementInput, FindingInput } from '../survey';
import type { TakeOff } from './Plan';
import type { PlanInput } from './PlanInput';
import { Site } from './site';

/** What a plan works from once the crew's own figures have replaced the defaults. */
export interface Context {
  readonly input: PlanInput;
  readonly element: ElementInput;
  readonly finding: FindingInput;
  readonly takeOff: TakeOff;
  readonly sheet: Sheet;
  readonly site?: Site | undefined;
}
