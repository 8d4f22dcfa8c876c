import type { StepCode, StepFigures } from './STEPS';

/** What must be so before a step, or while it is done. */
export type StepCondition =
  | 'dew'
  | 'school'
  | 'licensed'
  | 'coverWet'
  | 'coverTacky'
  | 'coverDry'
  | 'wetEdge'
  | 'scratch'
  | 'afterSet'
  | 'dryFace'
  | 'keyAgain'
  | 'stiff'
  | 'gelled'
  | 'besideJoint';

/** One step of a repair by its code: what, why so, and when. */
export interface RepairStepOf<C extends StepCode> {
  readonly code: C;
  readonly figures: StepFigures[C];
  /** the product that goes in, where one does */
  readonly sheetId: string | null;
  readonly thickness_m: number | null;
  /** from when and until when after the step before it, s at the slab's temperature; null where it follows at once, or has no end */
  readonly after: { readonly least_s: number; readonly most_s: number | null } | null;
  readonly condition: StepCondition | null;
}

/** One step of a repair, its figures known by its code. */
export type RepairStep = { readonly [C in StepCode]: RepairStepOf<C> }[StepCode];

/** Narrows steps to those of some codes. */
export const stepsWith = <C extends StepCode>(steps: readonly RepairStep[], ...codes: readonly C[]): RepairStepOf<C>[] =>
  steps.filter((step): step is RepairStepOf<C> & RepairStep => (codes as readonly StepCode[]).includes(step.code));
