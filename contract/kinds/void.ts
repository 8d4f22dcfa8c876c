import type { Measured } from '@tufa/core/quantity';
import type { VoidInput } from '@tufa/core/survey';
import { SHAPES, type SpallShape } from '@tufa/core/takeoff';
import type { RowKind, Said } from './RowKind';

/** A void that is filled under water. */
export interface VoidProperties extends Said {
  readonly deepest: Measured;
  readonly shape: SpallShape;
}

/** A void under water. */
export const voidUnderWater: RowKind<VoidProperties, VoidInput> = {
  kind: 'void',
  lineLeast_m: null,
  properties: ({ exactly, measured }) => ({ deepest: measured('depth_m').required(), shape: exactly(SHAPES).required() }),
  fields: ({ exactly, measured, outline }) => ({ outline: outline.required(), deepest: measured('depth_m').required(), shape: exactly(SHAPES).required() }),
  inputOf: ({ outline, properties: { deepest, shape } }) => ({ kind: 'void', outline: outline.points, deepest, shape }),
};
