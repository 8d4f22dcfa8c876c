import type { Plan, SystemInput, SystemOutcome } from '@tufa/core/plan';
import { useEffect, useState } from 'react';
import type { JobView } from '../parts/job/useJob';
import { planWorker } from '../workers/planWorker';

/** The plan with the whole shelf judged for every finding, worked out beside the screen; null until it is there the first time. */
export function useWholePlan({ input }: JobView): Plan | null {
  const [held, setHeld] = useState<Plan | null>(null);
  useEffect(() => {
    let gone = false;
    planWorker()
      .compute(input)
      .then((plan) => {
        if (!gone) setHeld(plan);
      })
      // What cannot be planned has nothing to compare; the step's own screen says why.
      .catch(() => undefined);
    return () => {
      gone = true;
    };
  }, [input]);
  // While a new one is worked out the systems stay those of the last: a tap in between means what it says.
  return held;
}

interface Outcomes {
  /** null until they are there, or where they cannot be worked out */
  readonly outcomes: readonly SystemOutcome[] | null;
  readonly failed: boolean;
}

/** The comparison of these systems, worked out beside the screen. */
export function useOutcomes({ input, job }: JobView, systems: readonly SystemInput[]): Outcomes {
  const [held, setHeld] = useState<{ of: readonly SystemInput[]; outcomes: Outcomes['outcomes'] } | null>(null);
  const price_minor = job.price_minor ?? null;
  useEffect(() => {
    let gone = false;
    if (systems.length < 2) return;
    planWorker()
      .compare({ input, systems, price_minor })
      .then((outcomes) => {
        if (!gone) setHeld({ of: systems, outcomes });
      })
      .catch(() => {
        if (!gone) setHeld({ of: systems, outcomes: null });
      });
    return () => {
      gone = true;
    };
  }, [input, systems, price_minor]);
  // While other systems are worked out, nothing of the former ones is shown under their names.
  return held?.of === systems ? { outcomes: held.outcomes, failed: held.outcomes === null } : { outcomes: null, failed: false };
}
