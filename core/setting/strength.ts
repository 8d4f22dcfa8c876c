import { inRange, Problem } from '../quantity';
import { SETTING } from './constants';

export type StrengthPoint = readonly [age_s: number, strength_MPa: number];

/** Su and tau of `S = Su exp(-(tau/te)^a)`. */
export interface StrengthCurve {
  readonly ultimate_MPa: number;
  readonly tau_s: number;
  readonly a: number;
  /** the shape is the class's, the sheet has but one point */
  readonly assumed?: true;
}

/** Whether age and strength both increase from point to point; a sheet whose figures fall says nothing that can be followed. */
export const strengthsRise = (points: readonly StrengthPoint[]): boolean =>
  points.every(([age, strength], i) => age > (points[i - 1]?.[0] ?? 0) && strength > (points[i - 1]?.[1] ?? 0));

/**
 * The curve through the points of a sheet (Freiesleben Hansen-Pedersen on equivalent age). Two points: a = 1 unless
 * given, Su and tau solved. Three or more: for each a the line of ln S on te^-a, the best a between 0.3 and 2 by golden
 * section. One point: the class's tau, marked as assumed.
 *
 * @param tau_s the class's, used with a single point
 * @throws Problem `strengthPoints` unless age and strength both increase from point to point
 */
export function strengthCurve({ points, a, tau_s }: { points: readonly StrengthPoint[]; a?: number; tau_s?: number }): StrengthCurve {
  const [first, last] = [points[0], points[points.length - 1]];
  if (!first || !last || !strengthsRise(points) || (points.length < 2 && tau_s === undefined)) throw new Problem('strengthPoints', { points: points.length });
  if (points.length === 1) {
    const shape = a ?? SETTING.strengthShape;
    return { ultimate_MPa: first[1] * Math.exp((tau_s! / first[0]) ** shape), tau_s: tau_s!, a: shape, assumed: true };
  }
  return fitFor(points, a ?? (points.length === 2 ? SETTING.strengthShape : bestShape(points)));
}

/** ln S = ln Su - tau^a te^-a by least squares; exact through two points. */
function fitFor(points: readonly StrengthPoint[], a: number): StrengthCurve & { readonly misfit: number } {
  const xs = points.map(([age]) => age ** -a);
  const ys = points.map(([, strength]) => Math.log(strength));
  const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length;
  const [mx, my] = [mean(xs), mean(ys)];
  const slope = xs.reduce((sum, x, i) => sum + (x - mx) * (ys[i]! - my), 0) / xs.reduce((sum, x) => sum + (x - mx) ** 2, 0);
  const misfit = xs.reduce((sum, x, i) => sum + (ys[i]! - my - slope * (x - mx)) ** 2, 0);
  return { ultimate_MPa: Math.exp(my - slope * mx), tau_s: (-slope) ** (1 / a), a, misfit };
}

/** The best shape through a sheet's points: the same for whatever asks of the sheet. */
const shapes = new WeakMap<readonly StrengthPoint[], number>();
function bestShape(points: readonly StrengthPoint[]): number {
  const shape = shapes.get(points) ?? soughtShape(points);
  shapes.set(points, shape);
  return shape;
}

/** Golden section on the shape. */
function soughtShape(points: readonly StrengthPoint[]): number {
  const ratio = (Math.sqrt(5) - 1) / 2;
  let [low, high]: [number, number] = [SETTING.strengthShapeLeast, SETTING.strengthShapeMost];
  const misfit = (a: number): number => fitFor(points, a).misfit;
  let [left, right] = [high - ratio * (high - low), low + ratio * (high - low)];
  let [atLeft, atRight] = [misfit(left), misfit(right)];
  while (high - low > 1e-9) {
    if (atLeft < atRight) {
      [high, right, atRight] = [right, left, atLeft];
      left = high - ratio * (high - low);
      atLeft = misfit(left);
    } else {
      [low, left, atLeft] = [left, right, atRight];
      right = low + ratio * (high - low);
      atRight = misfit(right);
    }
  }
  return (low + high) / 2;
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

/**
 * The same as a permission: flagged when it lies before the sheet's first datum, and then moved to it, the retarder's
 * shift added.
 *
 * @param shift_s the retarder's `t_ref (r - 1)` of equivalent age
 * @throws Problem `strengthNotReached`, `strengthPoints`
 */
export function permissionAge(input: { points: readonly StrengthPoint[]; strength_MPa: number; shift_s?: number; tau_s?: number }): {
  age_s: number;
  beforeFirst: boolean;
  assumed: boolean;
} {
  const { points, strength_MPa, shift_s = 0 } = input;
  const curve = strengthCurve({ points, ...(input.tau_s === undefined ? {} : { tau_s: input.tau_s }) });
  const reached_s = ageForStrength({ curve, strength_MPa });
  const first_s = points[0]![0];
  return { age_s: Math.max(reached_s, first_s) + shift_s, beforeFirst: reached_s < first_s, assumed: curve.assumed ?? false };
}
