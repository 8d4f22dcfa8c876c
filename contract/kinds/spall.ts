import type { Measured } from '@tufa/core/quantity';
import type { SpallInput } from '@tufa/core/survey';
import { SHAPES, type SpallShape } from '@tufa/core/takeoff';
import type { Blocks } from '../blocks';
import type { RowKind, Said } from './RowKind';

/** What a spall is like beside its outline. */
export interface SpallProperties extends Said {
  readonly deepest: Measured;
  readonly shape: SpallShape;
  readonly edge: 'cut' | 'feathered';
  readonly cutDepth?: Measured | null;
}

/** The same in a form, a row and a job file. */
const shared = ({ exactly, measured }: Blocks) => ({
  deepest: measured('depth_m').required(),
  shape: exactly(SHAPES).required(),
  edge: exactly(['cut', 'feathered']).required(),
});

/** A broken-out or scaled patch. */
export const spall: RowKind<SpallProperties, SpallInput> = {
  kind: 'spall',
  lineLeast_m: null,
  properties: (blocks) => ({ ...shared(blocks), cutDepth: blocks.measured('depth_m').allow(null) }),
  fields: (blocks) => ({
    outline: blocks.outline.required(),
    ...shared(blocks),
    readings: blocks.Joi.array()
      .items(blocks.Joi.array().items(blocks.Joi.number().min(-100).max(100)).length(3))
      .max(2000),
    cutDepth_m: blocks.size(1),
  }),
  inputOf({ outline, properties: { deepest, shape, edge, cutDepth } }, seen) {
    const readings = seen.depths();
    const cut = cutDepth ? { cutDepth_m: cutDepth.value } : {};
    return { kind: 'spall', outline: outline.points, deepest, shape, edge, ...(readings.length > 0 ? { readings } : {}), ...cut };
  },
};
