import { inRange } from '../quantity';
import { SETTING } from './constants';
import { inverseKelvin } from './rate';

/** One batch the crew used up: how warm, how retarded, how long it really lasted. */
export interface CrewEntry {
  readonly temperature_C: number;
  readonly retarder: number;
  readonly life_s: number;
}

/** What is believed of ln t_ref and Ea after some batches. */
export interface CrewPosterior {
  readonly reference_s: number;
  readonly Ea_J_mol: number;
  readonly sdLnReference: number;
}

/**
 * The crew's own time at the reference temperature and activation energy: `ln t - ln r = b0 + b1 (1/T - 1/Tref)/R`, a
 * normal prior around the sheet updated by the record (conjugate, noise known).
 *
 * @param prior_s the sheet's time, s
 * @param prior_Ea_J_mol the sheet's or its class's
 * @param givesRange whether the sheet gives only a range
 * @throws Problem `outOfRange`
 */
export function crewPosterior(input: {
  prior_s: number;
  prior_Ea_J_mol: number;
  log: readonly CrewEntry[];
  reference_C?: number;
  givesRange?: boolean;
}): CrewPosterior {
  const { log, reference_C = SETTING.reference_C, givesRange = false } = input;
  inRange({ quantity: 'prior_s', value: input.prior_s, least: 1, most: 1e7 });
  inRange({ quantity: 'prior_Ea_J_mol', value: input.prior_Ea_J_mol, least: SETTING.activationLeast_J_mol, most: SETTING.activationMost_J_mol });
  const sd0 = givesRange ? SETTING.sdRange : SETTING.sdSheet;
  // Energies in units of their prior's sd, so that the two unknowns are of one size.
  const scale = SETTING.sdActivation_J_mol;
  let [p00, p01, p11] = [1 / sd0 ** 2, 0, 1];
  let [h0, h1] = [Math.log(input.prior_s) * p00, input.prior_Ea_J_mol / scale];
  const weight = 1 / SETTING.sdNoise ** 2;
  for (const { temperature_C, retarder, life_s } of log) {
    inRange({ quantity: 'life_s', value: life_s, least: 1, most: 1e7 });
    inRange({ quantity: 'retarder', value: retarder, least: 1, most: 20 });
    const x = ((inverseKelvin(temperature_C) - inverseKelvin(reference_C)) / SETTING.gasConstant_J_molK) * scale;
    const y = Math.log(life_s / retarder);
    p00 += weight;
    p01 += weight * x;
    p11 += weight * x * x;
    h0 += weight * y;
    h1 += weight * x * y;
  }
  const determinant = p00 * p11 - p01 * p01;
  return {
    reference_s: Math.exp((p11 * h0 - p01 * h1) / determinant),
    Ea_J_mol: ((p00 * h1 - p01 * h0) / determinant) * scale,
    sdLnReference: Math.sqrt(p11 / determinant),
  };
}
