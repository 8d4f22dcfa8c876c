import type { Measured } from '@tufa/core/quantity';
import type { WedgeInput } from '@tufa/core/survey';
import { lineLength } from '@tufa/core/takeoff';
import { drawn, LINE_LEAST_M, type RowKind, type Said } from './RowKind';

/** A ramp at a height difference, drawn as the line of the step it leads up to. */
export interface WedgeProperties extends Said {
  readonly run: Measured;
  readonly rise: Measured;
  /** the joint it lies beside: a finding of its own by its id, or one only measured here; null where there is none */
  readonly joint?: { readonly findingId: string | null; readonly label: string | null; readonly width: Measured } | null;
}

/** A wedge at a height difference. */
export const wedge: RowKind<WedgeProperties, WedgeInput> = {
  kind: 'wedge',
  lineLeast_m: LINE_LEAST_M,
  properties: ({ Joi, id, measured }) => ({
    run: measured('side_m').required(),
    rise: measured('depth_m').required(),
    joint: Joi.object({
      findingId: id.allow(null).required(),
      label: Joi.string().max(12).allow(null).required(),
      width: measured('depth_m').required(),
    }).allow(null),
  }),
  fields: ({ Joi, measured, size }) => ({
    run: measured('side_m').required(),
    rise: measured('depth_m').required(),
    width: measured('side_m').required(),
    joint: Joi.object({ label: Joi.string().max(12).allow(null).required(), width_m: size(1).required() }).allow(null),
  }),
  inputOf: ({ outline, properties: { run, rise, joint } }) => ({
    kind: 'wedge',
    run,
    rise,
    width: drawn(lineLength(outline.points)),
    ...(joint === undefined ? {} : { joint: joint && { label: joint.label, width_m: joint.width.value } }),
  }),
};
