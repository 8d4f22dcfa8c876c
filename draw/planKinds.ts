type At = readonly [number, number];

/** What lies on a plan, each drawn its own way. */
export const PLAN_KINDS = ['spall', 'crack', 'joint', 'edge', 'skim', 'wedge', 'step', 'counter', 'void', 'hollow', 'wet', 'rust', 'obstacle', 'fall'] as const;
export type PlanKind = (typeof PLAN_KINDS)[number];

const LINES: readonly PlanKind[] = ['crack', 'joint', 'edge', 'wedge', 'step', 'fall'];

/** Kinds that are a line and not an area. */
export const isLine = (kind: PlanKind): boolean => LINES.includes(kind);

/** A finding as a plan draws it. */
export interface PlanFinding {
  readonly id: string;
  readonly label: string;
  /** absent: a spall */
  readonly kind?: PlanKind;
  readonly points: readonly At[];
  readonly depth?: string;
  readonly chosen?: boolean;
}
