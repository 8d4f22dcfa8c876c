import { inRange, Problem, rangedOf, type Ranged } from '../quantity';
import { SETTING } from './constants';
import type { CrewEntry } from './crewPosterior';
import { inverseKelvin } from './rate';
import { lnLikelihood, robustWeight } from './robust';

/** One batch of the crew's own record. */
export interface RecordEntry extends CrewEntry {
  /** what its mass did to its life, 1 where nothing */
  readonly massFactor?: number;
  /** used up while still workable: it would have lived at least so long */
  readonly censored?: boolean;
}

/** What a crew's batches of a sheet have shown. */
export interface CrewRecord {
  readonly entries: number;
  /** the crew's time at the reference temperature, s, and its activation energy */
  readonly reference_s: number;
  readonly Ea_J_mol: number;
  /** yours over the sheet's: scales both lives, holds form and initial set, not strength */
  readonly ratio: number;
  readonly sdLnReference: number;
  readonly sdEa_J_mol: number;
  readonly covariance_J_mol: number;
  /** how much each entry counts, 0 to 1 */
  readonly weights: readonly number[];
}

interface Fit {
  readonly b0: number;
  readonly b1: number;
  readonly v00: number;
  readonly v01: number;
  readonly v11: number;
}

const NODES_TIME = 201;
const NODES_ENERGY = 151;

/** The temperature, held throughout, at which a budget of `te_s` lasts `life_s`: `k(T) t = te`. @returns degC */
export function effectiveTemperature(input: { te_s: number; life_s: number; Ea_J_mol: number; reference_C?: number }): number {
  const { te_s, life_s, Ea_J_mol, reference_C = SETTING.reference_C } = input;
  inRange({ quantity: 'te_s', value: te_s, least: 1e-3, most: 1e9 });
  inRange({ quantity: 'life_s', value: life_s, least: 1e-3, most: 1e9 });
  const inverse = inverseKelvin(reference_C) - (Math.log(te_s / life_s) * SETTING.gasConstant_J_molK) / Ea_J_mol;
  return 1 / inverse - SETTING.kelvin_K;
}

/**
 * The crew's own time and activation energy on a grid, the energy held to 15-90 kJ/mol: a normal prior around the
 * sheet, a normal likelihood for each batch, the survival function for one that was used up while still workable.
 * From four entries on it is robust: an entry counts `min(1, 2.5 x 0.2/|residual|)`, iterated from the plain fit.
 *
 * @param prior_s the sheet's time at its reference, s
 * @param prior_Ea_J_mol the sheet's, or its class's
 * @throws Problem `outOfRange`; `noConvergence` when the weights do not settle
 */
export function crewRecord(input: {
  prior_s: number;
  prior_Ea_J_mol: number;
  log: readonly RecordEntry[];
  reference_C?: number;
  givesRange?: boolean;
}): CrewRecord {
  const { prior_s, prior_Ea_J_mol, log, reference_C = SETTING.reference_C, givesRange = false } = input;
  inRange({ quantity: 'prior_s', value: prior_s, least: 1, most: 1e7 });
  inRange({ quantity: 'prior_Ea_J_mol', value: prior_Ea_J_mol, least: SETTING.activationLeast_J_mol, most: SETTING.activationMost_J_mol });
  const sd0 = givesRange ? SETTING.sdRange : SETTING.sdSheet;
  const points = log.map((entry) => {
    inRange({ quantity: 'life_s', value: entry.life_s, least: 1, most: 1e7 });
    inRange({ quantity: 'retarder', value: entry.retarder, least: 1, most: 20 });
    inRange({ quantity: 'temperature_C', value: entry.temperature_C, least: -20, most: 80 });
    const massFactor = inRange({ quantity: 'massFactor', value: entry.massFactor ?? 1, least: SETTING.massFactorLeast, most: SETTING.massFactorMost });
    return {
      x: (inverseKelvin(entry.temperature_C) - inverseKelvin(reference_C)) / SETTING.gasConstant_J_molK,
      y: Math.log(entry.life_s / (entry.retarder * massFactor)),
      censored: entry.censored ?? false,
    };
  });
  const prior = { mean: Math.log(prior_s), sd: sd0, energy: prior_Ea_J_mol };
  let weights = points.map(() => 1);
  let fit = onGrid(prior, points, weights);
  const robust = points.length >= SETTING.robustFrom;
  for (let round = 0; robust; round += 1) {
    if (round === 200) throw new Problem('noConvergence', { quantity: 'weights' });
    const before = fit;
    weights = points.map(({ x, y, censored }) => robustWeight({ residual: y - (before.b0 + before.b1 * x), noise: SETTING.sdNoise, censored }));
    fit = onGrid(prior, points, weights);
    if (Math.abs(fit.b0 - before.b0) < 1e-6 && Math.abs(fit.b1 - before.b1) < 1e-6 * before.b1) break;
  }
  return {
    entries: points.length,
    reference_s: Math.exp(fit.b0),
    Ea_J_mol: fit.b1,
    ratio: Math.exp(fit.b0) / prior_s,
    sdLnReference: Math.sqrt(fit.v00),
    sdEa_J_mol: Math.sqrt(fit.v11),
    covariance_J_mol: fit.v01,
    weights,
  };
}

function onGrid(
  prior: { mean: number; sd: number; energy: number },
  points: readonly { x: number; y: number; censored: boolean }[],
  weights: readonly number[],
): Fit {
  const { activationLeast_J_mol: least, activationMost_J_mol: most, gridWidth_sd: width, sdNoise, sdActivation_J_mol } = SETTING;
  const logs = new Float64Array(NODES_TIME * NODES_ENERGY);
  let top = -Infinity;
  const timeAt = (i: number): number => prior.mean + prior.sd * width * ((2 * i) / (NODES_TIME - 1) - 1);
  const energyAt = (j: number): number => least + ((most - least) * j) / (NODES_ENERGY - 1);
  for (let i = 0; i < NODES_TIME; i += 1) {
    const b0 = timeAt(i);
    const fromTime = -0.5 * ((b0 - prior.mean) / prior.sd) ** 2;
    for (let j = 0; j < NODES_ENERGY; j += 1) {
      const b1 = energyAt(j);
      let sum = fromTime - 0.5 * ((b1 - prior.energy) / sdActivation_J_mol) ** 2;
      for (let n = 0; n < points.length; n += 1) {
        const { x, y, censored } = points[n]!;
        const z = (y - b0 - b1 * x) / sdNoise;
        sum += weights[n]! * lnLikelihood(z, censored);
      }
      logs[i * NODES_ENERGY + j] = sum;
      if (sum > top) top = sum;
    }
  }
  let [all, s0, s1, s00, s01, s11] = [0, 0, 0, 0, 0, 0];
  for (let i = 0; i < NODES_TIME; i += 1) {
    const b0 = timeAt(i) - prior.mean;
    for (let j = 0; j < NODES_ENERGY; j += 1) {
      const b1 = energyAt(j) - prior.energy;
      const weight = Math.exp(logs[i * NODES_ENERGY + j]! - top);
      all += weight;
      s0 += weight * b0;
      s1 += weight * b1;
      s00 += weight * b0 * b0;
      s01 += weight * b0 * b1;
      s11 += weight * b1 * b1;
    }
  }
  const [m0, m1] = [s0 / all, s1 / all];
  return { b0: prior.mean + m0, b1: prior.energy + m1, v00: s00 / all - m0 * m0, v01: s01 / all - m0 * m1, v11: s11 / all - m1 * m1 };
}

/**
 * What the record says of the next batch at a temperature: the median and the 80 % interval, noise included.
 *
 * @returns s, no retarder, a whole bag
 */
export function predicted(
  record: CrewRecord,
  { temperature_C, reference_C = SETTING.reference_C }: { temperature_C: number; reference_C?: number },
): Ranged & { sdLn: number } {
  const x = (inverseKelvin(temperature_C) - inverseKelvin(reference_C)) / SETTING.gasConstant_J_molK;
  const variance = record.sdLnReference ** 2 + 2 * x * record.covariance_J_mol + (x * record.sdEa_J_mol) ** 2 + SETTING.sdNoise ** 2;
  const sdLn = Math.sqrt(variance);
  return { ...rangedOf(record.reference_s * Math.exp(record.Ea_J_mol * x), sdLn), sdLn };
}
