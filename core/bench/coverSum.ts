import { textureOf } from '../mix';
import { yieldOf } from '../plan';
import { ceilingOf, inRange } from '../quantity';
import { bagOf, type Sheet } from '../shelf';
import { sumLine, type Worked } from './SumLine';

/**
 * An area at a thickness to bags, and a label's coverage claim back to the thickness it leaves.
 *
 * @param claim_m2 what the label says that a bag covers; absent where it says nothing
 * @throws Problem `outOfRange`
 */
export function coverSum({
  sheet,
  length_m,
  width_m,
  thickness_m,
  claim_m2,
}: {
  sheet: Sheet;
  length_m: number;
  width_m: number;
  thickness_m: number;
  claim_m2?: number;
}): Worked {
  const area_m2 =
    inRange({ quantity: 'length_m', value: length_m, least: 0.001, most: 1000 }) * inRange({ quantity: 'width_m', value: width_m, least: 0.001, most: 1000 });
  const texture_m = textureOf(sheet.profile);
  const volume_m3 = area_m2 * (thickness_m + texture_m);
  const bag_m3 = bagOf(sheet).mass_kg * yieldOf(sheet, 'spread');
  const bags = volume_m3 / bag_m3;
  const claimed_m = claim_m2 === undefined ? null : bag_m3 / inRange({ quantity: 'claim_m2', value: claim_m2, least: 1e-3, most: 1e4 }) - texture_m;
  return {
    answer: sumLine('cover.bags', { bags: Math.round(bags * 100) / 100, count: ceilingOf(bags) }),
    lines: [
      sumLine('cover.area', { area_m2 }),
      sumLine('cover.volume', { volume_m3, thickness_m, texture_m }),
      sumLine('cover.bag', { bag_m3, covers_m2: bag_m3 / (thickness_m + texture_m) }),
      ...(claimed_m === null
        ? []
        : claimed_m >= sheet.thickness.least_m * (1 - 1e-9)
          ? [sumLine('cover.claim', { claimed_m })]
          : [{ ...sumLine('cover.claimThin', { claimed_m: Math.max(0, claimed_m), least_m: sheet.thickness.least_m }), warns: true as const }]),
    ],
  };
}
