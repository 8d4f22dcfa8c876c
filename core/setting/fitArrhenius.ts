import { inRange, Problem } from '../quantity';
import { SETTING } from './constants';
import { inverseKelvin } from './rate';

/** One point of a data sheet: how long at which temperature. */
export interface TimePoint {
  readonly temperature_C: number;
  readonly time_s: number;
}

/**
 * Activation energy and time at the reference temperature from two or more points of a data sheet: least squares of
 * ln t on (1/T - 1/Tref), T in kelvin.
 *
 * @param points two or more at different temperatures; a range enters as its geometric mean
 * @throws Problem `tooFew`, `outOfRange` for an activation energy outside 15-90 kJ/mol: the class is then kept
 * @example fitArrhenius({ points: [{ temperature_C: 10, time_s: 2052 }, { temperature_C: 32, time_s: 594 }], reference_C: 21 })
 */
export function fitArrhenius({ points, reference_C = 21 }: { points: readonly TimePoint[]; reference_C?: number }): { Ea_J_mol: number; reference_s: number } {
  if (new Set(points.map(({ temperature_C }) => temperature_C)).size < 2) throw new Problem('tooFew', { quantity: 'points', value: points.length, least: 2 });
  const xs = points.map(({ temperature_C }) => inverseKelvin(temperature_C) - inverseKelvin(reference_C));
  const ys = points.map(({ time_s }) => Math.log(inRange({ quantity: 'time_s', value: time_s, least: 1, most: 1e7 })));
  const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;
  const [mx, my] = [mean(xs), mean(ys)];
  const over = xs.reduce((sum, x, i) => sum + (x - mx) * (ys[i]! - my), 0);
  const slope = over / xs.reduce((sum, x) => sum + (x - mx) ** 2, 0);
  const Ea_J_mol = inRange({
    quantity: 'Ea_J_mol',
    value: slope * SETTING.gasConstant_J_molK,
    least: SETTING.activationLeast_J_mol,
    most: SETTING.activationMost_J_mol,
  });
  return { Ea_J_mol, reference_s: Math.exp(my - slope * mx) };
}
