import type { Context } from '../input/Context';
import { kindOf } from '../kinds';
import type { TakeOff } from '../survey/TakeOff';

/** What a finding takes of one sheet: as it was surveyed, but a crack by the way it is filled. */
export const filledTakeOff = (context: Pick<Context, 'input' | 'finding' | 'takeOff' | 'sheet'>): TakeOff => kindOf(context.finding).filled(context);
