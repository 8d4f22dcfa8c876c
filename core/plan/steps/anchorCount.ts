import { CHOOSE } from '../../choose';
import { ceilingOf } from '../../quantity';
import type { TakeOff } from '../survey/TakeOff';

/** Anchors to price and to load: one every so often along the edge or round the patch; the code or the engineer says how many it takes. */
export const anchorCount = ({ length_m, perimeter_m }: Pick<TakeOff, 'length_m' | 'perimeter_m'>): number =>
  Math.max(2, ceilingOf((length_m ?? perimeter_m) / CHOOSE.anchorEvery_m));
