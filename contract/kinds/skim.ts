import type { Measured } from '@tufa/core/quantity';
import type { OnStep, SkimInput } from '@tufa/core/survey';
import { cutoutsIn } from './cutouts';
import { onStepOf, type RowKind, type Said } from './RowKind';

/** A thin layer over a worn face. */
export interface SkimProperties extends Said {
  readonly thickness: Measured;
  /** roughness of what it fills, CSP 1-10 */
  readonly profile: number;
  readonly onStep?: OnStep;
}

/** A skim or overlay. */
export const skim: RowKind<SkimProperties, SkimInput> = {
  kind: 'skim',
  lineLeast_m: null,
  properties: ({ measured, csp, onStep }) => ({ onStep, thickness: measured('skim_m').required(), profile: csp.required() }),
  fields: ({ measured, outline, csp, cutouts, onStep }) => ({
    onStep,
    outline: outline.required(),
    thickness: measured('depth_m').required(),
    profile: csp.required(),
    cutouts_m2: cutouts,
  }),
  inputOf({ outline: { points }, properties: { thickness, profile, ...more } }, { openings }) {
    const cutouts_m2 = cutoutsIn(points, openings);
    return { kind: 'skim', outline: points, thickness, profile, ...onStepOf(more), ...(cutouts_m2.length > 0 ? { cutouts_m2 } : {}) };
  },
};
