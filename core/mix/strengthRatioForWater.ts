import { inRange } from '../quantity';
import { MIX } from './constants';

/**
 * What is left of the strength when more water goes in than the sheet's (Feret):
 * `((Vb+Vw+Va)/(Vb+Vw'+Va'))^2`, Va the air share of the whole mix.
 *
 * @param waterRatio by mass, as the sheet has it; `waterRatioActual` as it was mixed
 * @returns ratio, under 1 for more water
 * @throws Problem `outOfRange`
 */
export function strengthRatioForWater(input: {
  waterRatio: number;
  waterRatioActual: number;
  binderShare?: number;
  binder_kg_m3?: number;
  filler_kg_m3?: number;
  air?: number;
}): number {
  const { binderShare = MIX.binderShare, binder_kg_m3 = MIX.cement_kg_m3, filler_kg_m3 = MIX.aggregate_kg_m3, air = MIX.air.mortar } = input;
  for (const name of ['waterRatio', 'waterRatioActual'] as const) inRange({ quantity: name, value: input[name], least: 0.01, most: 1 });
  inRange({ quantity: 'binderShare', value: binderShare, least: 0.01, most: 1 });
  inRange({ quantity: 'air', value: air, least: 0, most: 0.3 });
  // For one kilogram of powder: the ratio does not depend on how much there is.
  const binder = binderShare / binder_kg_m3;
  const filler = (1 - binderShare) / filler_kg_m3;
  const paste = (ratio: number): number => {
    const water = ratio / MIX.water_kg_m3;
    return binder + water + (air * (binder + filler + water)) / (1 - air);
  };
  return (paste(input.waterRatio) / paste(input.waterRatioActual)) ** 2;
}
