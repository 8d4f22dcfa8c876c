import { strengthRatioForWater } from './strengthRatioForWater';

/** How far a batch's water is from the first of its kind, and what that does: colour by its sign, strength by its ratio. */
export interface WaterDrift {
  /** of water to powder against the first, relative */
  readonly drift: number;
  /** strength against the first; over 1 for drier */
  readonly strength: number;
}

/** Drifts smaller than this are not seen: a jug reads no finer. */
export const WATER_DRIFT = 0.03;

/** @returns nothing where the two are alike to the eye */
export function waterDrift({ first, ratio }: { readonly first: number; readonly ratio: number }): WaterDrift | null {
  const drift = ratio / first - 1;
  if (!(Math.abs(drift) > WATER_DRIFT)) return null;
  return { drift, strength: strengthRatioForWater({ waterRatio: first, waterRatioActual: ratio }) };
}
