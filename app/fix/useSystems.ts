import type { Plan, SystemInput, SystemOutcome } from '@tufa/core/plan';
import type { JobView } from '../parts/job/useJob';
import { useWorkedOut } from '../workers/useWorkedOut';

/** The plan with the best of the shelf for every finding, worked out beside the screen; null until it is there the first time, and where it cannot be. */
export function useBestPlan({ input }: JobView): { plan: Plan | null; failed: boolean } {
  // What cannot be planned has nothing to compare; the step's own screen says why.
  // While a new one is worked out the systems stay those of the last: a tap in between means what it says.
  const { data, isError } = useWorkedOut('best of the shelf', [input], (worker) => worker.best(input), { keepLast: true });
  return { plan: data ?? null, failed: isError };
}

interface Outcomes {
  /** null until they are there, or where they cannot be worked out */
  readonly outcomes: readonly SystemOutcome[] | null;
  readonly failed: boolean;
}

/** The comparison of these systems, worked out beside the screen; never those of other systems under their names. */
export function useOutcomes({ input, job }: JobView, systems: readonly SystemInput[]): Outcomes {
  const price_minor = job.price_minor ?? null;
  const { data, isError } = useWorkedOut(`systems at ${price_minor}`, systems.length < 2 ? null : [input, systems], (worker) =>
    worker.compare({ input, systems, price_minor }),
  );
  return { outcomes: data ?? null, failed: isError };
}
