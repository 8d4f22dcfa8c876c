import { inRange } from '../quantity';
import { SETTING } from './constants';

const KELVIN = SETTING.kelvin_K;

/** Temperature, activation energy and the sheet's reference. */
export interface RateInput {
  /** degC, -30 to 120 */
  readonly temperature_C: number;
  /** J/mol, 15 000 to 90 000 */
  readonly Ea_J_mol: number;
  /** degC, the sheet's own */
  readonly reference_C?: number;
}

/**
 * Rate of setting against the reference temperature (Arrhenius, equivalent age of ASTM C1074):
 * `k = exp(-Ea/R (1/(T+273.15) - 1/(Tref+273.15)))`.
 *
 * @returns ratio, 1 at the reference
 * @throws Problem `outOfRange`
 * @example rate({ temperature_C: 21, Ea_J_mol: 55000 }) // 1
 */
export function rate({ temperature_C, Ea_J_mol, reference_C = SETTING.reference_C }: RateInput): number {
  inRange({ quantity: 'temperature_C', value: temperature_C, least: -30, most: 120 });
  inRange({ quantity: 'Ea_J_mol', value: Ea_J_mol, least: SETTING.activationLeast_J_mol, most: SETTING.activationMost_J_mol });
  return rateOf(temperature_C, Ea_J_mol / SETTING.gasConstant_J_molK, 1 / (reference_C + KELVIN));
}

/** The same without checks, for inner loops: Ea/R in kelvin and 1/Tref in 1/kelvin already worked out. */
export const rateOf = (temperature_C: number, EaOverR_K: number, inverseReference: number): number =>
  Math.exp(-EaOverR_K * (1 / (temperature_C + KELVIN) - inverseReference));

/** 1/(T + 273.15), the Arrhenius abscissa. */
export const inverseKelvin = (temperature_C: number): number => 1 / (temperature_C + KELVIN);
