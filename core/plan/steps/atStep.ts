import type { OnStep } from '../../survey';
import type { RepairStep } from './RepairStep';
import { stepOf } from './stepOf';

/** Which step of a flight, and which face of it, where that was told. */
export const atStep = (onStep: OnStep | undefined): RepairStep[] => (onStep ? [stepOf('step.at', onStep)] : []);
