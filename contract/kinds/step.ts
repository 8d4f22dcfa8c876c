import type { Measured } from '@tufa/core/quantity';
import type { StepInput } from '@tufa/core/survey';
import { lineLength, TAKEOFF } from '@tufa/core/takeoff';
import { drawn, type RowKind, type Said } from './RowKind';

/** Steps rebuilt, drawn as the line of a nosing. */
export interface StepProperties extends Said {
  readonly going: Measured;
  readonly rise: Measured;
  readonly steps: number;
  /** the lowest of them on its flight, counted from the bottom */
  readonly from?: number;
  /** share of a step's body that is sound and stays */
  readonly stays: number;
}

/** No step is narrower. */
const STEP_LEAST_M = 0.1;

/** Steps rebuilt inside a form. */
export const step: RowKind<StepProperties, StepInput> = {
  kind: 'step',
  lineLeast_m: STEP_LEAST_M,
  properties: ({ Joi, measured, flight }) => ({
    going: measured('going_m').required(),
    rise: measured('stepRise_m').required(),
    steps: flight.required(),
    from: flight,
    stays: Joi.number().min(0).max(0.95).required(),
  }),
  fields: ({ measured, flight, size }) => ({
    width: measured('side_m').required(),
    going: measured('width_m').required(),
    rise: measured('depth_m').required(),
    steps: flight.required(),
    from: flight,
    stays_m3: size(300).required(),
    pitch: size(0.1).required(),
    propAngle_rad: size(1.5).required(),
  }),
  inputOf({ outline, properties: { going, rise, steps, stays, from } }) {
    const width_m = lineLength(outline.points);
    const { treadPitch: pitch, propAngle_rad } = TAKEOFF;
    return {
      kind: 'step',
      width: drawn(width_m),
      going,
      rise,
      steps,
      stays_m3: stays * width_m * going.value * rise.value,
      pitch,
      propAngle_rad,
      ...(from === undefined ? {} : { from }),
    };
  },
};
