import { inRange, Problem, rangedOf, type Ranged } from '../quantity';
import { SETTING } from './constants';
import type { CrewEntry } from './crewPosterior';
import { inverseKelvin } from './rate';
import { lnSurvival, robustWeight } from './robust';

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
  let fit = onGrid(prior, points, weights, null);
  const robust = points.length >= SETTING.robustFrom;
  for (let round = 0; robust; round += 1) {
    if (round === 200) throw new Problem('noConvergence', { quantity: 'weights' });
    const before = fit;
    weights = points.map(({ x, y, censored }) => robustWeight({ residual: y - (before.b0 + before.b1 * x), noise: SETTING.sdNoise, censored }));
    fit = onGrid(prior, points, weights, before.best);
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

/** A node so far under the best, in nats, weighs nothing beside it: a ten-thousand-millionth. */
const DROP = 23;

const clamped = (index: number, nodes: number): number => Math.min(nodes - 1, Math.max(0, Math.round(index)));

/** The node nearest to where the best would be if every batch had been used up at its end: the line through prior and points. */
function nodeOf(prior: { mean: number; sd: number; energy: number }, points: readonly { x: number; y: number }[]): number {
  const { activationLeast_J_mol: least, activationMost_J_mol: most, gridWidth_sd: width, sdNoise, sdActivation_J_mol: scale } = SETTING;
  let [p00, p01, p11, h0, h1] = [(sdNoise / prior.sd) ** 2, 0, sdNoise ** 2, 0, 0];
  // From the prior's mean, energies in units of its sd.
  for (const { x, y } of points) {
    const along = x * scale;
    const over = y - prior.mean - prior.energy * x;
    p00 += 1;
    p01 += along;
    p11 += along * along;
    h0 += over;
    h1 += over * along;
  }
  const determinant = p00 * p11 - p01 * p01;
  const [time, energy] = [(p11 * h0 - p01 * h1) / determinant, prior.energy + (scale * (p00 * h1 - p01 * h0)) / determinant];
  const i = clamped(((time / (prior.sd * width) + 1) / 2) * (NODES_TIME - 1), NODES_TIME);
  return i * NODES_ENERGY + clamped(((energy - least) / (most - least)) * (NODES_ENERGY - 1), NODES_ENERGY);
}

/** Uphill from a node, in strides that halve, to one that none beside it passes. */
function climbed(from: number, logOf: (node: number) => number): number {
  let best = from;
  for (let stride = 8; stride >= 1;) {
    const [i, j] = [Math.floor(best / NODES_ENERGY), best % NODES_ENERGY];
    const before = best;
    for (let di = -stride; di <= stride; di += stride)
      for (let dj = -stride; dj <= stride; dj += stride) {
        const [ni, nj] = [i + di, j + dj];
        if (ni < 0 || ni >= NODES_TIME || nj < 0 || nj >= NODES_ENERGY) continue;
        if (logOf(ni * NODES_ENERGY + nj) > logOf(best)) best = ni * NODES_ENERGY + nj;
      }
    if (best === before) stride = Math.floor(stride / 2);
  }
  return best;
}

/**
 * Mean and spread on the grid. Every likelihood here is log-concave, so the nodes that weigh anything lie together: they
 * are found from the best outward, and the rest of the grid, which would add nothing to the last digit, is left.
 *
 * @param start where the best node was for almost the same points
 */
function onGrid(
  prior: { mean: number; sd: number; energy: number },
  points: readonly { x: number; y: number; censored: boolean }[],
  weights: readonly number[],
  start: number | null,
): Fit & { readonly best: number } {
  const { activationLeast_J_mol: least, activationMost_J_mol: most, gridWidth_sd: width, sdNoise, sdActivation_J_mol } = SETTING;
  const timeAt = (i: number): number => prior.mean + prior.sd * width * ((2 * i) / (NODES_TIME - 1) - 1);
  const energyAt = (j: number): number => least + ((most - least) * j) / (NODES_ENERGY - 1);
  // What is known to the second is a square in both unknowns: its sums say all of it.
  let [w, wx, wy, wxx, wxy, wyy] = [0, 0, 0, 0, 0, 0];
  const open = { x: new Float64Array(points.length), y: new Float64Array(points.length), weight: new Float64Array(points.length), count: 0 };
  points.forEach(({ x, y, censored }, n) => {
    const weight = weights[n]!;
    if (censored) {
      [open.x[open.count], open.y[open.count], open.weight[open.count]] = [x / sdNoise, y / sdNoise, weight];
      open.count += 1;
    } else [w, wx, wy, wxx, wxy, wyy] = [w + weight, wx + weight * x, wy + weight * y, wxx + weight * x * x, wxy + weight * x * y, wyy + weight * y * y];
  });
  const logs = new Float64Array(NODES_TIME * NODES_ENERGY).fill(NaN);
  const logOf = (node: number): number => {
    const known = logs[node]!;
    if (known === known) return known;
    const b0 = timeAt(Math.floor(node / NODES_ENERGY));
    const b1 = energyAt(node % NODES_ENERGY);
    const squares = wyy - 2 * b0 * wy - 2 * b1 * wxy + b0 * b0 * w + 2 * b0 * b1 * wx + b1 * b1 * wxx;
    let sum = -0.5 * ((b0 - prior.mean) / prior.sd) ** 2 - 0.5 * ((b1 - prior.energy) / sdActivation_J_mol) ** 2 - (0.5 * squares) / sdNoise ** 2;
    const { x, y, weight, count } = open;
    const base = b0 / sdNoise;
    for (let n = 0; n < count; n += 1) sum += weight[n]! * lnSurvival(y[n]! - base - b1 * x[n]!);
    logs[node] = sum;
    return sum;
  };
  let best = climbed(start ?? nodeOf(prior, points), logOf);
  const seen = new Uint8Array(logs.length);
  const found = [best];
  seen[best] = 1;
  let top = logOf(best);
  for (let at = 0; at < found.length; at += 1) {
    const node = found[at]!;
    // What was near the best that was known then may be far from the one that is known now.
    if (logOf(node) < top - DROP) continue;
    const [i, j] = [Math.floor(node / NODES_ENERGY), node % NODES_ENERGY];
    for (let di = -1; di <= 1; di += 1)
      for (let dj = -1; dj <= 1; dj += 1) {
        const [ni, nj] = [i + di, j + dj];
        if (ni < 0 || ni >= NODES_TIME || nj < 0 || nj >= NODES_ENERGY) continue;
        const next = ni * NODES_ENERGY + nj;
        if (seen[next]) continue;
        seen[next] = 1;
        const log = logOf(next);
        if (log > top) [top, best] = [log, next];
        if (log >= top - DROP) found.push(next);
      }
  }
  let [all, s0, s1, s00, s01, s11] = [0, 0, 0, 0, 0, 0];
  for (const node of found) {
    const weight = Math.exp(logOf(node) - top);
    const b0 = timeAt(Math.floor(node / NODES_ENERGY)) - prior.mean;
    const b1 = energyAt(node % NODES_ENERGY) - prior.energy;
    all += weight;
    s0 += weight * b0;
    s1 += weight * b1;
    s00 += weight * b0 * b0;
    s01 += weight * b0 * b1;
    s11 += weight * b1 * b1;
  }
  const [m0, m1] = [s0 / all, s1 / all];
  return { b0: prior.mean + m0, b1: prior.energy + m1, v00: s00 / all - m0 * m0, v01: s01 / all - m0 * m1, v11: s11 / all - m1 * m1, best };
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
