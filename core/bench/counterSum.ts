import { waterRatioOf, yieldOf } from '../plan';
import { ceilingOf } from '../quantity';
import { bagOf, type Sheet } from '../shelf';
import { counterMass, cutList, rectangle } from '../takeoff';
import { sumLine, type Worked } from './SumLine';

/** Strips as they are sold, and what the saw eats. */
const STRIP = { stock_m: 2.4384, kerf_m: 0.003 } as const;

/** A plain top: its bags, what it weighs, the strips of its form. @param sheet of a powder @throws Problem `outOfRange` */
export function counterSum({ sheet, length_m, width_m, thickness_m }: { sheet: Sheet; length_m: number; width_m: number; thickness_m: number }): Worked {
  const outline = rectangle({ length_m, width_m });
  const yield_m3_kg = yieldOf(sheet, 'pour');
  const density_kg_m3 = (1 + waterRatioOf(sheet, 'pour')) / yield_m3_kg;
  const volume_m3 = length_m * width_m * thickness_m;
  const mass_kg = counterMass({ outline, cutouts_m2: [], thickness_m, density_kg_m3 });
  const bags = volume_m3 / yield_m3_kg / bagOf(sheet).mass_kg;
  const sides = [length_m, length_m, width_m, width_m];
  // A side longer than a strip is pieced together.
  const parts_m = sides.flatMap((side_m) => {
    const pieces = Math.max(1, ceilingOf(side_m / STRIP.stock_m));
    return Array.from({ length: pieces }, () => side_m / pieces);
  });
  return {
    answer: sumLine('counter.bags', { bags: Math.round(bags * 100) / 100, count: ceilingOf(bags) }),
    lines: [
      sumLine('counter.volume', { volume_m3, thickness_m }),
      sumLine('counter.weighs', { mass_kg, perArea_kg: mass_kg / (length_m * width_m) }),
      sumLine('counter.strips', { count: cutList({ parts_m, ...STRIP }).stocks.length, stock_m: STRIP.stock_m }),
    ],
  };
}
