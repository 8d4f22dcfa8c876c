import { inRange } from '../quantity';

/** What a powder is made of, where the sheet does not say. *default* */
export const POWDER = { binderShare: 0.3, binder_kg_m3: 3150, filler_kg_m3: 2650, air: 0.05 } as const;

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
  const { binderShare = POWDER.binderShare, binder_kg_m3 = POWDER.binder_kg_m3, filler_kg_m3 = POWDER.filler_kg_m3, air = POWDER.air } = input;
  for (const name of ['waterRatio', 'waterRatioActual'] as const) inRange({ quantity: name, value: input[name], least: 0.01, most: 1 });
  inRange({ quantity: 'binderShare', value: binderShare, least: 0.01, most: 1 });
  inRange({ quantity: 'air', value: air, least: 0, most: 0.3 });
  // For one kilogram of powder: the ratio does not depend on how much there is.
  const binder = binderShare / binder_kg_m3;
  const filler = (1 - binderShare) / filler_kg_m3;
  const paste = (ratio: number): number => {
    const water = ratio / 1000;
    return binder + water + (air * (binder + filler + water)) / (1 - air);
  };
  return (paste(input.waterRatio) / paste(input.waterRatioActual)) ** 2;
}
