import erfc from '@stdlib/math-base-special-erfc';
import { inRange } from '../quantity';

/** What conducts: W/mK and J/m3K. */
export interface Thermal {
  readonly conductivity_W_mK: number;
  readonly heatCapacity_J_m3K: number;
}

const ROOT_PI = Math.sqrt(Math.PI);

/** The exact series, in the dimensionless X = sqrt((k1/C1) t)/d and the ratio of effusivities e. */
function exact(X: number, e: number): number {
  if (X === 0) return 1;
  const b = (e - 1) / (e + 1);
  const lead = (2 * X) / ROOT_PI;
  let sum = 0;
  let power = 1;
  for (let n = 1; n < 4000; n += 1) {
    const ratio = n / X;
    const term = power * (lead * Math.exp(-ratio * ratio) - 2 * n * erfc(ratio));
    sum += term;
    power *= b;
    if (ratio > 6.5 || Math.abs(power) < 1e-15) break;
  }
  return 1 - (lead - (2 / (1 + e)) * sum) / (1 + e);
}

const effusivityRatio = (layer: Thermal, base: Thermal): number =>
  Math.sqrt((layer.conductivity_W_mK * layer.heatCapacity_J_m3K) / (base.conductivity_W_mK * base.heatCapacity_J_m3K));

/**
 * Mean share that a fresh layer keeps of its temperature difference to the base, its face insulated, on a half space
 * (exact conduction). A 3 mm skim has lost two thirds in a minute; a 50 mm fill keeps three quarters for twenty.
 *
 * @returns 0 to 1
 * @throws Problem `outOfRange`
 */
export function layerExcess(input: { thickness_m: number; elapsed_s: number; layer: Thermal; base: Thermal }): number {
  const { layer, base } = input;
  const thickness_m = inRange({ quantity: 'thickness_m', value: input.thickness_m, least: 1e-4, most: 5 });
  const elapsed_s = inRange({ quantity: 'elapsed_s', value: input.elapsed_s, least: 0, most: 1e8 });
  return exact(Math.sqrt((layer.conductivity_W_mK / layer.heatCapacity_J_m3K) * elapsed_s) / thickness_m, effusivityRatio(layer, base));
}

const NODES = 320;
/** Of each pair of materials, made once: a ranking asks thousands of times. */
const tables = new WeakMap<Thermal, WeakMap<Thermal, (X: number) => number>>();

/**
 * The same as a table in X for one pair of materials, for inner loops: cubic interpolation in X/(1+X), within 1e-7 of
 * the series. Beyond the last node the excess falls as 1/X.
 *
 * @returns a function of X
 */
export function excessTable({ layer, base }: { layer: Thermal; base: Thermal }): (X: number) => number {
  const over = tables.get(layer) ?? new WeakMap<Thermal, (X: number) => number>();
  tables.set(layer, over);
  const table = over.get(base) ?? tabled(effusivityRatio(layer, base));
  over.set(base, table);
  return table;
}

function tabled(e: number): (X: number) => number {
  const values = new Float64Array(NODES + 1);
  for (let i = 0; i < NODES; i += 1) values[i] = exact(i / (NODES - i), e);
  return (X) => {
    const at = (X / (1 + X)) * NODES;
    const i = Math.min(NODES - 2, Math.max(1, Math.floor(at)));
    const s = at - i;
    const p0 = values[i - 1]!;
    const p1 = values[i]!;
    const p2 = values[i + 1]!;
    const p3 = values[i + 2]!;
    return (-p0 * s * (s - 1) * (s - 2)) / 6 + (p1 * (s + 1) * (s - 1) * (s - 2)) / 2 - (p2 * (s + 1) * s * (s - 2)) / 2 + (p3 * (s + 1) * s * (s - 1)) / 6;
  };
}
