import { inRange, Problem } from '../quantity';

export type StrengthPoint = readonly [age_s: number, strength_MPa: number];

/** Su and tau of `S = Su exp(-(tau/te)^a)`. */
export interface StrengthCurve {
  readonly ultimate_MPa: number;
  readonly tau_s: number;
  readonly a: number;
}

/**
 * The curve through two points of a sheet (Freiesleben Hansen-Pedersen on equivalent age), a = 1 unless given.
 *
 * @throws Problem `strengthPoints` unless age and strength both increase
 */
export function strengthCurve({ points, a = 1 }: { points: readonly StrengthPoint[]; a?: number }): StrengthCurve {
  const [first, last] = [points[0], points[points.length - 1]];
  if (!first || !last || points.length < 2 || !(last[0] > first[0]) || !(last[1] > first[1]) || !(first[1] > 0))
    throw new Problem('strengthPoints', { points: points.length });
  const x1 = first[0] ** -a;
  const x2 = last[0] ** -a;
  const slope = (Math.log(first[1]) - Math.log(last[1])) / (x2 - x1);
  return { ultimate_MPa: Math.exp(Math.log(last[1]) + slope * x2), tau_s: slope ** (1 / a), a };
}

/** Strength at an equivalent age, MPa. `shift_s` is the retarder's `t_ref (r - 1)`; 0 before final set. */
export function strengthAt(input: { curve: StrengthCurve; age_s: number; shift_s?: number; finalSet_s?: number }): number {
  const { curve, shift_s = 0, finalSet_s = 0 } = input;
  const age_s = inRange({ quantity: 'age_s', value: input.age_s, least: 0, most: 1e9 }) - shift_s;
  if (age_s <= 0 || age_s < finalSet_s) return 0;
  return curve.ultimate_MPa * Math.exp(-((curve.tau_s / age_s) ** curve.a));
}

/**
 * The equivalent age at which a strength is reached. May lie before the first datum: a permission must not.
 *
 * @throws Problem `strengthNotReached` at or above the ultimate strength
 */
export function ageForStrength({ curve, strength_MPa }: { curve: StrengthCurve; strength_MPa: number }): number {
  inRange({ quantity: 'strength_MPa', value: strength_MPa, least: 1e-6, most: 300 });
  if (strength_MPa >= curve.ultimate_MPa) throw new Problem('strengthNotReached', { strength_MPa, most: curve.ultimate_MPa });
  return curve.tau_s / (-Math.log(strength_MPa / curve.ultimate_MPa)) ** (1 / curve.a);
}
