import { DEFAULT_FIRM, type PlanInput } from '@tufa/core/plan';
import { upgradeSheet } from './upgradeSheet';

/**
 * A stored plan's input as this release reads it: its sheets as they are read now, and ordinary figures where the firm's
 * settings did not have one yet. What it was made from otherwise stands.
 */
export const upgradePlan = (input: PlanInput): PlanInput => ({ ...input, firm: { ...DEFAULT_FIRM, ...input.firm }, sheets: input.sheets.map(upgradeSheet) });
