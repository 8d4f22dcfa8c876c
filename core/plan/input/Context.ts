import type { Sheet } from '../../shelf';
import type { ElementInput, FindingInput } from '../../survey';
import type { TakeOff } from '../survey/TakeOff';
import type { PreparedInput } from './crewFigures';
import type { OverlayInput, TreatmentInput } from './PlanInput';
import { Site } from './site';

/** What a plan works from once the crew's own figures have replaced the defaults. */
export interface Context {
  readonly input: PreparedInput;
  readonly element: ElementInput;
  readonly finding: FindingInput;
  readonly takeOff: TakeOff;
  readonly sheet: Sheet;
  readonly site?: Site | undefined;
  /** what an overlay lies over: its own fill alone, or the element's bare face with it; absent for what is no overlay */
  readonly over?: OverlayInput['over'] | undefined;
  /** how long after the first water of what it lies over it may begin, s */
  readonly startsAfter_s?: number | undefined;
  /** what was chosen for it beside the sheet */
  readonly treatment?: TreatmentInput | undefined;
}
