import { computePlan } from '../computePlan';
import type { PlanInput } from '../input/PlanInput';
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
    mishaps: mishapsOf({ plan, hands, codes: possible, seed }),
    sun_K: Math.min(SUN_K.most, Math.max(SUN_K.least, warmer_K)),
  };
}
