import { RANGE } from '../quantity';
import { spallVolume, type DepthReading, type Point, type ReadSpall, type SpallShape } from '../takeoff';
import type { SimulatedSpall } from './simulatedSpalls';

/** Simulated damage as a file tells it: jobs of spalls, with what each truly holds. */
export type DamageFile = readonly {
  readonly job: {
    readonly findings: readonly {
      readonly outline: readonly Point[];
      readonly readings: readonly DepthReading[];
      readonly deepest: { readonly value: number };
      readonly shape: SpallShape;
    }[];
  };
  readonly truths: readonly { readonly truth: number; readonly family: string }[];
}[];

/** The spalls of a file, each with its truth. */
export const simulatedIn = (file: DamageFile): SimulatedSpall[] =>
  file.flatMap(({ job, truths }) =>
    job.findings.map(({ outline, readings, deepest, shape }, i) => ({
      outline,
      readings,
      rim_m: 0,
      deepest_m: Math.max(deepest.value, ...readings.map(([, , depth_m]) => depth_m)),
      shape,
      family: truths[i]!.family,
      truth_m3: truths[i]!.truth,
    })),
  );

/** The 95 % quantile of a normal. */
const Z95 = 1.6448536269514722;

const median = (values: readonly number[]): number => [...values].sort((a, b) => a - b)[values.length >> 1]!;

/** What is estimated of many spalls, held against what they are: ratios to the truth, and shares of them. */
export function heldAgainst(spalls: readonly (ReadSpall & Pick<SimulatedSpall, 'family' | 'truth_m3'>)[]): {
  median: number;
  inRange: number;
  short: number;
  families: Record<string, number>;
} {
  const told = spalls.map((spall) => ({ ...spallVolume(spall), family: spall.family, truth_m3: spall.truth_m3 }));
  const of = (some: typeof told): number => median(some.map(({ volume_m3, truth_m3 }) => volume_m3 / truth_m3));
  const share = (good: (row: (typeof told)[number]) => boolean): number => told.filter(good).length / told.length;
  return {
    median: of(told),
    inRange: share(({ volume_m3, sigma, truth_m3 }) => Math.abs(Math.log(volume_m3 / truth_m3)) <= RANGE.z10 * sigma),
    short: share(({ volume_m3, sigma, truth_m3 }) => volume_m3 * Math.exp(Z95 * sigma) < truth_m3),
    families: Object.fromEntries([...new Set(told.map(({ family }) => family))].map((family) => [family, of(told.filter((row) => row.family === family))])),
  };
}
