import { inRange } from '../quantity';

/**
 * What a dose multiplies the working life by: the sheet's table, monotone piecewise-linear.
 *
 * @param dose in the table's own unit (packets a bag), 0 to the last dose
 * @param table [dose, factor] pairs, rising, the first [0, 1]
 * @throws Problem `outOfRange` above the last dose: over-dosed material may never set right
 * @example retarderFactor({ dose: 0.96, table: [[0, 1], [1, 1.6]] }) // 1.576
 */
export function retarderFactor({ dose, table }: { dose: number; table: readonly (readonly [number, number])[] }): number {
  const last = table[table.length - 1];
  inRange({ quantity: 'retarderDose', value: dose, least: 0, most: last ? last[0] : 0 });
  for (let i = 1; i < table.length; i += 1) {
    const [d0, f0] = table[i - 1]!;
    const [d1, f1] = table[i]!;
    if (dose <= d1) return f0 + ((f1 - f0) * (dose - d0)) / (d1 - d0);
  }
  return 1;
}
