import type { RepairStep, RepairStepOf } from './RepairStep';
import type { StepCode, StepFigures } from './STEPS';

/** One step, its figures as its row has them. */
export const stepOf = <C extends StepCode>(
  code: C,
  figures: StepFigures[C],
  { sheetId = null, thickness_m = null, after = null, condition = null }: Partial<Pick<RepairStep, 'sheetId' | 'thickness_m' | 'after' | 'condition'>> = {},
): RepairStepOf<C> => ({ code, figures, sheetId, thickness_m, after, condition });
