type At = readonly [number, number];

/** What lies on a plan, each drawn its own way. */
export const PLAN_KINDS = ['spall', 'crack', 'joint', 'edge', 'hollow', 'wet', 'rust', 'obstacle', 'fall'] as const;
export type PlanKind = (typeof PLAN_KINDS)[number];

/** Kinds that are a line and not an area. */
export const isLine = (kind: PlanKind): boolean => kind === 'crack' || kind === 'joint' || kind === 'edge' || kind === 'fall';

export interface PlanFinding {
  readonly id: string;
  readonly label: string;
  /** absent: a spall */
  readonly kind?: PlanKind;
  readonly points: readonly At[];
  readonly depth?: string;
  readonly chosen?: boolean;
}
