import { print, typeset, type Ranged } from '@tufa/core/quantity';
import { say, unitSystem } from '@tufa/words';

/** Less than this is told in the ounces or millilitres of the jug, m3. */
const FINE_M3 = 1.5e-3;

/** A volume as the crew would say it, and its range in the same unit. */
export function volumeText({ p10, p50, p90 }: Pick<Ranged, 'p10' | 'p50' | 'p90'>): { text: string; range: string } {
  const fine = p50 < FINE_M3;
  const told = (value: number) => print({ kind: 'volume', value, system: unitSystem(), fine });
  const whole = (value: number): string => {
    const { digits, unit } = told(value);
    return typeset(`${digits} ${unit}`);
  };
  const [low, high] = [told(p10), told(p90)];
  // "1 qt 4-9 oz" would be misread: where a figure has two units, both ends say theirs.
  const short = low.unit === high.unit && !/\s/.test(low.digits) && !/\s/.test(high.digits);
  return { text: whole(p50), range: say('walk.range', { low: short ? low.digits : whole(p10), high: whole(p90) }) };
}
