import { computePlan, rankingOf, type PlanInput } from '@tufa/core/plan';
import { catalogue } from '@tufa/core/shelf/catalogue';
import { exampleJob } from './example';

/** A large shelf against a large job: the shipped sheets to five hundred, each its own, and thirty findings of one element. */
export function largeJob(): PlanInput {
  const { site: _site, ...still } = exampleJob();
  return {
    ...still,
    sheets: Array.from({ length: 500 }, (_, i) => ({ ...catalogue[i % catalogue.length]!, id: `s${i}` })),
    findings: Array.from({ length: 30 }, (_, i) => ({ ...still.findings[i % 2]!, id: `f${i}` })),
    treatments: [],
  };
}

/** The shelf ranked for one finding, as Fix asks it, and for all of them, as the comparison does; ms each. */
export function rankBench(times: number): { one_ms: number[]; all_ms: number[] } {
  const large = largeJob();
  const timed = (work: (i: number) => unknown): number[] =>
    Array.from({ length: times }, (_, i) => {
      const begun = performance.now();
      work(i);
      return performance.now() - begun;
    });
  return { one_ms: timed((i) => rankingOf(large, `f${i % 30}`)), all_ms: timed(() => computePlan(large)) };
}
