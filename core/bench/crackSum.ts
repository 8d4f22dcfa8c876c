import { MIX } from '../mix';
import { ceilingOf, inRange } from '../quantity';
import { bagOf, resinDensity, resinOf, type Sheet } from '../shelf';
import { sumLine, type Worked } from './SumLine';

/**
 * A crack of one width and depth: what it holds, as neat resin and with dry sand packed into it, in shots of a bottle.
 *
 * @param sheet of a resin
 * @throws Problem `outOfRange`
 */
export function crackSum({ sheet, length_m, width_m, depth_m }: { sheet: Sheet; length_m: number; width_m: number; depth_m: number }): Worked {
  const volume_m3 =
    inRange({ quantity: 'length_m', value: length_m, least: 0.01, most: 500 }) *
    inRange({ quantity: 'width_m', value: width_m, least: 1e-4, most: 0.1 }) *
    inRange({ quantity: 'depth_m', value: depth_m, least: 0.001, most: 1 });
  const sanded_m3 = volume_m3 * MIX.sandWetted;
  const { bottle_m3 } = resinOf(sheet);
  const neat_kg = volume_m3 * resinDensity(sheet);
  return {
    answer: sumLine('crack.resin', { volume_m3 }),
    lines: [
      sumLine('crack.slot', { length_m, width_m, depth_m }),
      sumLine('crack.neat', { mass_kg: neat_kg, kits: Math.round((neat_kg / bagOf(sheet).mass_kg) * 100) / 100 }),
      sumLine('crack.sand', { sand_kg: volume_m3 * MIX.sandPacking * MIX.aggregate_kg_m3, resin_m3: sanded_m3 }),
      sumLine('crack.shots', { count: ceilingOf(volume_m3 / bottle_m3), bottle_m3 }),
    ],
  };
}
