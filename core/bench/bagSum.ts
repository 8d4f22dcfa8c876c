import { coverage, MIX, textureOf } from '../mix';
import { waterRatioOf, yieldOf } from '../plan';
import { inRange } from '../quantity';
import { bagOf, type Sheet } from '../shelf';
import { sumLine, type Worked } from './SumLine';

/**
 * A bag of a powder: its water, what it makes, how far that goes at a thickness over the profile its sheet asks.
 *
 * @param sheet of a powder
 * @throws Problem `outOfRange`, `noWater`
 */
export function bagSum({ sheet, bags, thickness_m }: { sheet: Sheet; bags: number; thickness_m: number }): Worked {
  const powder_kg = inRange({ quantity: 'bags', value: bags, least: 0.01, most: 1000 }) * bagOf(sheet).mass_kg;
  const ratio = waterRatioOf(sheet, 'spread');
  const { least, most } = sheet.water ?? { least: ratio, most: ratio };
  const volume_m3 = powder_kg * yieldOf(sheet, 'spread');
  const texture_m = textureOf(sheet.profile);
  const of = (share: number): number => (powder_kg * share) / MIX.water_kg_m3;
  return {
    answer: sumLine('bag.mixed', { volume_m3 }),
    lines: [
      sumLine('bag.powder', { mass_kg: powder_kg }),
      sumLine('bag.water', { water_m3: of(ratio), least_m3: of(least), most_m3: of(most) }),
      sumLine('bag.yield', { volume_m3, mass_kg: powder_kg }),
      sumLine('bag.covers', { area_m2: coverage({ volume_m3, thickness_m, texture_m }), thickness_m, texture_m }),
    ],
  };
}
