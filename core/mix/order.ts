import erf from '@stdlib/math-base-special-erf';
import normalQuantile from '@stdlib/stats-base-dists-normal-quantile';
import { ceilingOf, inRange, Problem } from '../quantity';
import { MIX } from './constants';

/** The root of the sum of squares of independent sds of ln. */
export const combinedSd = (sds: readonly number[]): number => Math.sqrt(sds.reduce((sum, sd) => sum + sd * sd, 0));

/**
 * The quantile of what is needed: `nominal (1 + waste) exp(z_q sigma)`.
 *
 * @returns in the unit of nominal
 * @throws Problem `outOfRange`
 */
export function orderQuantile(input: { nominal: number; medianWaste?: number; sigma_log: readonly number[]; quantile: number }): number {
  const { nominal, medianWaste = MIX.medianWaste, sigma_log, quantile } = input;
  inRange({ quantity: 'nominal', value: nominal, least: 0, most: 1e7 });
  inRange({ quantity: 'quantile', value: quantile, least: 0.001, most: 0.999 });
  return nominal * (1 + medianWaste) * quantileOf({ p50: 1, sigma: combinedSd(sigma_log), quantile });
}

/** A quantile of a lognormal need: `median exp(z_q sigma)`. */
export const quantileOf = ({ p50, sigma, quantile }: { p50: number; sigma: number; quantile: number }): number =>
  p50 * Math.exp(normalQuantile(quantile, 0, 1) * sigma);

/** The chance that what was bought does not reach: `1 - Phi(ln(bought/median)/sigma)`. */
export function chanceShort({ median_kg, bought_kg, sdLn }: { median_kg: number; bought_kg: number; sdLn: number }): number {
  inRange({ quantity: 'median_kg', value: median_kg, least: 1e-9, most: 1e7 });
  if (bought_kg <= 0) return 1;
  const z = Math.log(bought_kg / median_kg) / inRange({ quantity: 'sdLn', value: sdLn, least: 1e-6, most: 5 });
  return 0.5 * (1 - erf(z / Math.SQRT2));
}

/**
 * How sure an order is worth being: `cost of short / (cost of short + cost of left over)`, both for one bag.
 *
 * @returns quantile
 * @throws Problem `outOfRange`
 */
export function bestQuantile({ short_minor, leftOver_minor }: { short_minor: number; leftOver_minor: number }): number {
  inRange({ quantity: 'short_minor', value: short_minor, least: 0, most: 1e9 });
  return short_minor / (short_minor + inRange({ quantity: 'leftOver_minor', value: leftOver_minor, least: 1, most: 1e9 }));
}

/** A pack as it is sold: kg and minor units. */
export interface Pack {
  readonly mass_kg: number;
  readonly price_minor: number;
}

/** So many of one pack. */
export interface PackCount extends Pack {
  readonly count: number;
}

/**
 * The cheapest packages that reach a need; of two that cost the same, the one with less left over.
 *
 * @throws Problem `noPacks`, `outOfRange`
 */
export function packagesLeastCost({ need_kg, packs }: { need_kg: number; packs: readonly Pack[] }): PackCount[] {
  inRange({ quantity: 'need_kg', value: need_kg, least: 0, most: 1e6 });
  if (packs.length === 0) throw new Problem('noPacks');
  const sorted = [...packs].sort((a, b) => b.mass_kg - a.mass_kg);
  let best: { counts: number[]; cost: number; mass: number } | null = null;
  const search = (index: number, left_kg: number, counts: number[], cost: number, mass: number): void => {
    const pack = sorted[index]!;
    const most = Math.max(0, ceilingOf(left_kg / pack.mass_kg));
    const isLast = index === sorted.length - 1;
    for (let count = isLast ? most : 0; count <= most; count += 1) {
      const paid = cost + count * pack.price_minor;
      if (best && paid > best.cost) return;
      const next = [...counts, count];
      const carried = mass + count * pack.mass_kg;
      if (!isLast) search(index + 1, left_kg - count * pack.mass_kg, next, paid, carried);
      else if (!best || paid < best.cost || carried < best.mass) best = { counts: next, cost: paid, mass: carried };
    }
  };
  search(0, need_kg, [], 0, 0);
  const { counts } = best as unknown as { counts: number[] };
  return sorted.map((pack, i) => ({ ...pack, count: counts[i] ?? 0 })).filter(({ count }) => count > 0);
}

/** What packages cost together, minor units. */
export const costOf = (packages: readonly PackCount[]): number => packages.reduce((sum, { count, price_minor }) => sum + count * price_minor, 0);
/** What packages hold together, kg. */
export const massOf = (packages: readonly PackCount[]): number => packages.reduce((sum, { count, mass_kg }) => sum + count * mass_kg, 0);
