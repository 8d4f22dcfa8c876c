import { inRange, Problem } from '../quantity';
import { polygonArea, type Point } from './polygonArea';

/**
 * Area of a countertop: its polygon less the cut-outs.
 *
 * @returns m2
 * @throws Problem `outOfRange`, `cutoutsTooLarge` when nothing would be left
 */
export function counterArea({ outline, cutouts_m2 }: { outline: readonly Point[]; cutouts_m2: readonly number[] }): number {
  const cut = cutouts_m2.reduce((sum, area) => sum + inRange({ quantity: 'cutout_m2', value: area, least: 0, most: 100 }), 0);
  const area = polygonArea(outline) - cut;
  if (area <= 0) throw new Problem('cutoutsTooLarge', { cut_m2: cut });
  return area;
}

/**
 * Weight of a countertop: area times thickness, and dropped edges as volumes of their own.
 *
 * @returns kg
 * @throws Problem `outOfRange`, `cutoutsTooLarge`
 */
export function counterMass(input: {
  outline: readonly Point[];
  cutouts_m2: readonly number[];
  thickness_m: number;
  density_kg_m3: number;
  edges_m3?: number;
}): number {
  inRange({ quantity: 'thickness_m', value: input.thickness_m, least: 0.005, most: 0.3 });
  inRange({ quantity: 'density_kg_m3', value: input.density_kg_m3, least: 500, most: 4000 });
  return (counterArea(input) * input.thickness_m + (input.edges_m3 ?? 0)) * input.density_kg_m3;
}

/**
 * What a countertop weighs on what carries it: in all, on each m2, and on each running m of its length.
 *
 * @param length_m along the cabinets
 * @throws Problem `outOfRange`, `cutoutsTooLarge`
 */
export function counterLoad(input: Parameters<typeof counterMass>[0] & { length_m: number }): {
  mass_kg: number;
  perArea_kg_m2: number;
  perLength_kg_m: number;
} {
  inRange({ quantity: 'length_m', value: input.length_m, least: 0.05, most: 100 });
  const mass_kg = counterMass(input);
  return { mass_kg, perArea_kg_m2: mass_kg / counterArea(input), perLength_kg_m: mass_kg / input.length_m };
}
