import type { PlanKind } from './kinds';

/** A finding as a plan draws it. */
export interface PlanFinding {
  readonly id: string;
  readonly label: string;
  /** absent: a spall */
  readonly kind?: PlanKind;
  readonly points: readonly (readonly [number, number])[];
  readonly depth?: string;
  readonly chosen?: boolean;
  /** round holes in it: the middle of each and its radius, m */
  readonly holes?: readonly { readonly at: readonly [number, number]; readonly radius_m: number }[];
}
