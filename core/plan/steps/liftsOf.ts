import { ceilingOf } from '../../quantity';
import { liftMostFor } from '../../shelf';
import { orientationOf } from '../../survey';
import type { Context } from '../input/Context';

/** How many lifts the deepest place takes, as the element lies. */
export const liftsOf = ({ takeOff: { deepest_m }, sheet, element }: Pick<Context, 'takeOff' | 'sheet' | 'element'>): number =>
  Math.max(1, ceilingOf(deepest_m / liftMostFor(sheet, { orientation: orientationOf(element.kind), depth_m: deepest_m })));
