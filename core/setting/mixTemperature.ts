import { inRange, Problem } from '../quantity';
import { SETTING } from './constants';

const { heatPowder_kJ_kgK: CP, heatWater_kJ_kgK: CW, heatMelting_kJ_kg: MELT } = SETTING;

/** What goes into a mix, kg and degC. */
export interface MixHeat {
  readonly powder_kg: number;
  readonly powder_C: number;
  readonly water_kg: number;
  readonly water_C: number;
  readonly ice_kg?: number;
  /** stone, saturated surface-dry, and its free water at the stone's temperature */
  readonly aggregate_kg?: number;
  readonly aggregate_C?: number;
  readonly moisture_kg?: number;
  /** latex in place of water, and its solids by mass */
  readonly latex_kg?: number;
  readonly latex_C?: number;
  readonly latexSolids?: number;
  /** what the paddle adds, K */
  readonly paddle_rise_K?: number;
}

/** Specific heat of latex by its solids, kJ/kgK. */
export const latexHeat = (solids: number): number => CW * (1 - solids) + SETTING.heatSolids_kJ_kgK * solids;

const temperature = (quantity: string, value: number): number => inRange({ quantity, value, least: -20, most: 90 });
const mass = (quantity: string, value: number): number => inRange({ quantity, value, least: 0, most: 5000 });

/**
 * Temperature of the mix by heat balance (ACI 305R form), ice melting at 0 degC, plus the paddle's warming.
 *
 * @returns degC
 * @throws Problem `outOfRange`; `nothingMixed` when there is no mass
 * @example mixTemperature({ powder_kg: 20, powder_C: 20, water_kg: 3, water_C: 10 }) // about 15.9
 */
export function mixTemperature(input: MixHeat): number {
  const { powder_kg, powder_C, water_kg, water_C, ice_kg = 0, paddle_rise_K = 0 } = input;
  const { aggregate_kg = 0, aggregate_C = powder_C, moisture_kg = 0, latex_kg = 0, latex_C = water_C, latexSolids = 0 } = input;
  inRange({ quantity: 'latexSolids', value: latexSolids, least: 0, most: 1 });
  const stone = mass('aggregate_kg', aggregate_kg) * CP + mass('moisture_kg', moisture_kg) * CW;
  const latex = mass('latex_kg', latex_kg) * latexHeat(latexSolids);
  const heat = mass('powder_kg', powder_kg) * CP + mass('water_kg', water_kg) * CW + mass('ice_kg', ice_kg) * CW + stone + latex;
  if (heat <= 0) throw new Problem('nothingMixed');
  const sum =
    powder_kg * CP * temperature('powder_C', powder_C) +
    water_kg * CW * temperature('water_C', water_C) +
    stone * temperature('aggregate_C', aggregate_C) +
    latex * temperature('latex_C', latex_C);
  return (sum - MELT * ice_kg) / heat + paddle_rise_K;
}

/**
 * The water temperature that brings the mix to a target, the inverse of `mixTemperature` without ice. Always a number:
 * whether a hose or a kettle can give it is for the caller to say.
 *
 * @returns degC
 * @example waterTemperatureFor({ powder_kg: 17.44, powder_C: 19.7, water_kg: 3.08, target_C: 19 }) // 18.13
 */
export function waterTemperatureFor(input: Omit<MixHeat, 'water_C' | 'ice_kg'> & { readonly target_C: number }): number {
  const { powder_kg, powder_C, water_kg, target_C, paddle_rise_K = 0 } = input;
  if (!(water_kg > 0)) throw new Problem('nothingMixed');
  const wanted_C = target_C - paddle_rise_K;
  return wanted_C + (powder_kg * CP * (wanted_C - powder_C)) / (water_kg * CW);
}

/**
 * Ice in place of part of the dose (`m_water + m_ice = dose`) for a target.
 *
 * @returns kg of ice; negative means none is needed
 * @example iceMassFor({ powder_kg: 15.22, powder_C: 30.1, dose_kg: 3.65, water_C: 24.3, target_C: 22.3 }) // 0.321
 */
export function iceMassFor(input: {
  readonly powder_kg: number;
  readonly powder_C: number;
  readonly dose_kg: number;
  readonly water_C: number;
  readonly target_C: number;
}): number {
  const { powder_kg, powder_C, dose_kg, water_C, target_C } = input;
  return (powder_kg * CP * (powder_C - target_C) + CW * dose_kg * (water_C - target_C)) / (MELT + CW * water_C);
}

/**
 * What the paddle warms the mix by: `P = min(0.3, 0.015 m)` kW over the mixing time.
 *
 * @returns K
 */
export function paddleRise({ powder_kg, water_kg, mixing_s }: { powder_kg: number; water_kg: number; mixing_s: number }): number {
  const power_kW = Math.min(SETTING.paddleMost_kW, SETTING.paddle_kW_kg * (powder_kg + water_kg));
  return (power_kW * mixing_s) / (powder_kg * CP + water_kg * CW);
}

/** The same for a resin, whose parts hold 1.9 kJ/kgK. @returns K */
export const resinPaddleRise = ({ mass_kg, mixing_s }: { mass_kg: number; mixing_s: number }): number =>
  (Math.min(SETTING.paddleMost_kW, SETTING.paddle_kW_kg * mass_kg) * mixing_s) / (mass_kg * SETTING.heatSolids_kJ_kgK);
