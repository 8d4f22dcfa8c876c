import { ceilingOf } from '../../quantity';
import { liftMostFor } from '../../shelf';
import { orientationOf } from '../../survey';
import type { Context } from '../input/Context';

/** How many lifts the deepest place takes, as the element lies; a line is filled shot after shot, not lift on lift. */
export const liftsOf = ({ takeOff: { deepest_m, more }, sheet, element }: Pick<Context, 'takeOff' | 'sheet' | 'element'>): number =>
  more['width_m'] !== undefined ? 1 : Math.max(1, ceilingOf(deepest_m / liftMostFor(sheet, { orientation: orientationOf(element.kind), depth_m: deepest_m })));
