import type { Measured } from '@tufa/core/quantity';
import type { WedgeInput } from '@tufa/core/survey';
import { lineLength } from '@tufa/core/takeoff';
import { drawn, LINE_LEAST_M, type RowKind, type Said } from './RowKind';

/** A ramp at a height difference, drawn as the line of the step it leads up to. */
export interface WedgeProperties extends Said {
  readonly run: Measured;
  readonly rise: Measured;
}

/** A wedge at a height difference. */
export const wedge: RowKind<WedgeProperties, WedgeInput> = {
  kind: 'wedge',
  lineLeast_m: LINE_LEAST_M,
  properties: ({ measured }) => ({ run: measured('side_m').required(), rise: measured('depth_m').required() }),
  fields: ({ measured }) => ({ run: measured('side_m').required(), rise: measured('depth_m').required(), width: measured('side_m').required() }),
  inputOf: ({ outline, properties: { run, rise } }) => ({ kind: 'wedge', run, rise, width: drawn(lineLength(outline.points)) }),
};
