import { computePlan } from '../computePlan';
import { busiest, visitsOf } from '../dayPlan';
import { ratesOf, type PlanInput } from '../input/PlanInput';
import type { Plan } from '../Plan';
import { mishapsOf } from './mishapsOf';
import type { MishapCode, RehearsalSetup } from './Rehearsal';

/** Where the plan does not tell what the sun does: on a mild day it warms what it comes onto by so much at least, and the tables reach so far, K. */
const SUN_K = { least: 4, most: 8 } as const;

/** How warm the surface of a plan's first batch is, mean of its course, degC. */
function surfaceOf({ batches }: Plan): number | null {
  const surface = batches.find(({ window }) => window)?.window?.basis.course.surface_C;
  if (surface === undefined) return null;
  return typeof surface === 'number' ? surface : surface.C.reduce((sum, C) => sum + C, 0) / surface.C.length;
}

/** Batches that are rehearsed, those of the visit with the most to mix, and those that were done before it. */
export interface RehearsedVisit {
  readonly numbers: ReadonlySet<string>;
  readonly earlier: readonly Plan['batches'][number][];
}

/** Which of a plan's batches are rehearsed: what waits for longer than a working day is not sat out. */
export function visitOf(input: PlanInput, plan: Plan): RehearsedVisit {
  const visits = visitsOf(plan, ratesOf(input.firm).workday_s);
  const at = busiest(plan, visits);
  const before = new Set(visits.slice(0, at).flat());
  return { numbers: new Set(visits[at]), earlier: plan.batches.filter(({ number }) => before.has(number)) };
}

/**
 * What a plan is rehearsed with: mishaps at their times, and what the sun adds where it comes round.
 *
 * @param luck how much of the usual spread is drawn, 0 to 1
 * @param seed an integer
 * @throws Problem as `computePlan`
 */
export function rehearsalOf({
  input,
  plan,
  codes,
  luck,
  seed,
}: {
  input: PlanInput;
  plan: Plan;
  codes: readonly MishapCode[];
  luck: number;
  seed: number;
}): RehearsalSetup {
  const { hands } = input.crew;
  const { numbers } = visitOf(input, plan);
  const batches = plan.batches.filter(({ number }) => numbers.has(number));
  // What lies in the sun already, it does not come round onto.
  const possible = input.conditions.sun ? codes.filter((code) => code !== 'sun') : codes;
  const [shade, sun] = possible.includes('sun')
    ? [surfaceOf(plan), surfaceOf(computePlan({ ...input, conditions: { ...input.conditions, sun: true } }, { ranked: 'chosen' }))]
    : [null, null];
  const warmer_K = shade !== null && sun !== null ? sun - shade : 0;
  return {
    seed,
    hands,
    luck,
    mishaps: mishapsOf({ plan: { batches }, hands, codes: possible, seed }),
    sun_K: Math.min(SUN_K.most, Math.max(SUN_K.least, warmer_K)),
  };
}
