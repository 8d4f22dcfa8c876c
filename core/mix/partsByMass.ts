import { inRange, Problem } from '../quantity';

/**
 * Parts by weight from parts by volume through their densities, and how far a sheet that states both contradicts itself.
 *
 * @param byVolume two or three parts
 * @param byMass as the sheet states them; null where it does not
 * @returns shares of the mass that add to 1, and the largest relative difference to what is stated
 * @throws Problem `outOfRange`; `partsUneven` when the lists differ in length
 * @example partsByMass({ byVolume: [2, 1], densities_kg_m3: [1150, 1000], byMass: [100, 45] }) // { shares: [0.697, 0.303], difference: 0.025 }
 */
export function partsByMass(input: { byVolume: readonly number[]; densities_kg_m3: readonly number[]; byMass: readonly number[] | null }): {
  shares: number[];
  difference: number;
} {
  const { byVolume, densities_kg_m3, byMass } = input;
  if (densities_kg_m3.length !== byVolume.length || (byMass && byMass.length !== byVolume.length)) throw new Problem('partsUneven', { parts: byVolume.length });
  const masses = byVolume.map(
    (part, i) =>
      inRange({ quantity: 'part', value: part, least: 1e-6, most: 1e6 }) *
      inRange({ quantity: 'density_kg_m3', value: densities_kg_m3[i]!, least: 300, most: 8000 }),
  );
  const whole = masses.reduce((sum, mass) => sum + mass, 0);
  const shares = masses.map((mass) => mass / whole);
  const stated = byMass?.map((part) => part / byMass.reduce((sum, mass) => sum + mass, 0));
  const difference = stated ? Math.max(...shares.map((share, i) => Math.abs(stated[i]! / share - 1))) : 0;
  return { shares, difference };
}
