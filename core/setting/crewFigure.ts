import { inRange, Problem, rangedOf, type Ranged } from '../quantity';
import { SETTING } from './constants';
import type { CrewFigureName } from './CREW_FIGURES';
import { lnLikelihood, robustWeight } from './robust';

/** One day's own figure. */
export interface FigureEntry {
  readonly value: number;
  /** it would have been at least so much */
  readonly censored?: boolean;
}

const NODES = 801;

/**
 * One of the crew's own figures in the shape of their lives: lognormal, a prior around the default, updated by what
 * they logged; robust from four entries on; a censored entry by its survival.
 *
 * @param prior the default, in the figure's own SI unit, over 0
 * @param least what the figure may not go under, `most` what it may not go over
 * @returns median with P10 and P90 of the figure itself, and the sd of ln of the next one, noise included
 * @throws Problem `outOfRange`; `noConvergence` when the weights do not settle
 * @example crewFigure({ name: 'rate', prior: 0.002, log: [{ value: 0.0026 }, { value: 0.0024 }] }).p50 // 0.0024
 */
export function crewFigure(input: { name: CrewFigureName; prior: number; log: readonly FigureEntry[]; least?: number; most?: number }): Ranged & {
  readonly sdNext: number;
  readonly entries: number;
} {
  const { prior, log } = input;
  const { sd, noise } = SETTING.crewFigures[input.name];
  const bounds = input.name === 'skinShare' ? SETTING.skinShareBounds : { least: 1e-9, most: 1e9 };
  const { least = bounds.least, most = bounds.most } = input;
  inRange({ quantity: input.name, value: prior, least, most });
  const ys = log.map(({ value, censored = false }) => ({ y: Math.log(inRange({ quantity: input.name, value, least: 1e-9, most: 1e9 })), censored }));
  const mean0 = Math.log(prior);
  const [low, high] = [Math.max(Math.log(least), mean0 - SETTING.gridWidth_sd * sd), Math.min(Math.log(most), mean0 + SETTING.gridWidth_sd * sd)];
  const fit = (weights: readonly number[]): { mean: number; variance: number } => {
    const nodes = Array.from({ length: NODES }, (_, i) => low + ((high - low) * i) / (NODES - 1));
    const logs = nodes.map((b) =>
      ys.reduce(
        (sum, { y, censored }, n) => {
          const z = (y - b) / noise;
          return sum + weights[n]! * lnLikelihood(z, censored);
        },
        -0.5 * ((b - mean0) / sd) ** 2,
      ),
    );
    const top = Math.max(...logs);
    // Trapezoid: where the bounds cut the curve off, its ends count half.
    const masses = logs.map((log, i) => Math.exp(log - top) * (i === 0 || i === NODES - 1 ? 0.5 : 1));
    const all = masses.reduce((sum, mass) => sum + mass, 0);
    const mean = masses.reduce((sum, mass, i) => sum + mass * nodes[i]!, 0) / all;
    return { mean, variance: masses.reduce((sum, mass, i) => sum + mass * (nodes[i]! - mean) ** 2, 0) / all };
  };
  let now = fit(ys.map(() => 1));
  for (let round = 0; ys.length >= SETTING.robustFrom; round += 1) {
    if (round === 200) throw new Problem('noConvergence', { quantity: input.name });
    const before = now.mean;
    now = fit(ys.map(({ y, censored }) => robustWeight({ residual: y - before, noise, censored })));
    if (Math.abs(now.mean - before) < 1e-6) break;
  }
  return { ...rangedOf(Math.exp(now.mean), Math.sqrt(now.variance)), sdNext: Math.sqrt(now.variance + noise * noise), entries: ys.length };
}
