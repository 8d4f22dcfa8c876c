export { type RepairStep, stepsWith } from './RepairStep';
export type { StepFigures } from './STEPS';
export { filledTakeOff } from './filledTakeOff';
