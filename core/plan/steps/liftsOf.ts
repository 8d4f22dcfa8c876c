import { ceilingOf } from '../../quantity';
import type { Context } from '../input/Context';

/** How many lifts the deepest place takes. */
export const liftsOf = ({ takeOff, sheet }: Pick<Context, 'takeOff' | 'sheet'>): number =>
  Math.max(1, ceilingOf(takeOff.deepest_m / sheet.thickness.liftMost_m));
