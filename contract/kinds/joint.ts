import type { Measured } from '@tufa/core/quantity';
import type { GrooveInput } from '@tufa/core/survey';
import { TAKEOFF } from '@tufa/core/takeoff';
import { LINE_LEAST_M, type RowKind, type Said } from './RowKind';

/** What a joint is like beside its line. */
export interface JointProperties extends Said {
  readonly width: Measured;
  readonly depth: Measured;
  /** from this joint to the next, where it moves; null where it does not */
  readonly between: Measured | null;
}

/** A joint, or a groove that was cut. */
export const joint: RowKind<JointProperties, GrooveInput> = {
  kind: 'groove',
  lineLeast_m: LINE_LEAST_M,
  properties: ({ measured }) => ({
    width: measured('crack_m').required(),
    depth: measured('crackDepth_m').required(),
    between: measured('side_m').allow(null).required(),
  }),
  fields: ({ Joi, measured, line }) => ({
    line: line.required(),
    width: measured('crack_m').required(),
    depth: measured('depth_m').required(),
    blade_m: Joi.number().min(1e-4).max(0.5).required(),
    moves: Joi.object({
      between_m: Joi.number().min(0.01).max(200).required(),
      range_K: Joi.number().min(0).max(150).required(),
      movementClass: Joi.number().min(0.05).max(1).required(),
    })
      .allow(null)
      .required(),
  }),
  inputOf({ outline, properties: { width, depth, between } }) {
    const moves = between ? { between_m: between.value, range_K: TAKEOFF.seasons_K, movementClass: TAKEOFF.sealantMovement } : null;
    return { kind: 'groove', line: outline.points, width, depth, blade_m: TAKEOFF.blade_m, moves };
  },
};
