import { computePlan, rankingOf, type PlanInput } from '@tufa/core/plan';
import type { Sheet } from '@tufa/core/shelf';
import { catalogue } from '@tufa/core/shelf/catalogue';
import { exampleJob } from './example';

/** A product of its own: of two that are alike, each has its own name and price. */
const ownSheet = (sheet: Sheet, i: number): Sheet => ({
  ...sheet,
  id: `s${i}`,
  packs: sheet.packs.map((pack) => ({ ...pack, price_minor: pack.price_minor + Math.floor(i / catalogue.length) })),
});

/** A large shelf against a large job: the shipped sheets to five hundred, each its own, and thirty findings of one element. */
export function largeJob(): PlanInput {
  const { site: _site, ...still } = exampleJob();
  return {
    ...still,
    sheets: Array.from({ length: 500 }, (_, i) => ownSheet(catalogue[i % catalogue.length]!, i)),
    findings: Array.from({ length: 30 }, (_, i) => ({ ...still.findings[i % 2]!, id: `f${i}` })),
    treatments: [],
  };
}

/** The shelf ranked for one finding, as Fix asks it, and for all of them, as the comparison does; ms each. A worker gets every job anew, so nothing of it is remembered. */
export function rankBench(times: number): { one_ms: number[]; all_ms: number[] } {
  const large = largeJob();
  const timed = (work: (job: PlanInput, i: number) => unknown, jobOf: () => PlanInput): number[] =>
    Array.from({ length: times }, (_, i) => {
      const job = jobOf();
      const begun = performance.now();
      work(job, i);
      return performance.now() - begun;
    });
  return {
    one_ms: timed(
      (job, i) => rankingOf(job, `f${i % 30}`),
      () => large,
    ),
    all_ms: timed(
      (job) => computePlan(job, { ranked: 'best' }),
      () => structuredClone(large),
    ),
  };
}
