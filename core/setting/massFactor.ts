import { inRange } from '../quantity';
import { SETTING } from './constants';

/**
 * What the mixed mass does to the life in the pail: `(mass/ref)^exponent`, held between 0.5 and 2. A larger mass of
 * resin heats itself and lives shorter.
 *
 * @example massFactor({ mass_kg: 0.6, reference_kg: 0.3, exponent: -0.25 }) // 0.84
 */
export function massFactor({ mass_kg, reference_kg, exponent }: { mass_kg: number; reference_kg: number; exponent: number }): number {
  inRange({ quantity: 'mass_kg', value: mass_kg, least: 1e-3, most: 5000 });
  const factor = (mass_kg / reference_kg) ** exponent;
  return Math.min(SETTING.massFactorMost, Math.max(SETTING.massFactorLeast, factor));
}
