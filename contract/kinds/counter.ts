import type { Measured } from '@tufa/core/quantity';
import type { CounterInput } from '@tufa/core/survey';
import { TAKEOFF } from '@tufa/core/takeoff';
import { cutoutsIn } from './cutouts';
import type { RowKind, Said } from './RowKind';

/** A countertop cast or overlaid; its cut-outs are the openings of its element. */
export interface CounterProperties extends Said {
  readonly thickness: Measured;
  /** cast in a mould; laid over what is there where nobody says so */
  readonly cast?: boolean;
  /** a front that hangs lower; null where there is none */
  readonly dropped: { readonly length: Measured; readonly across: Measured; readonly down: Measured } | null;
}

/** A countertop. */
export const counter: RowKind<CounterProperties, CounterInput> = {
  kind: 'counter',
  lineLeast_m: null,
  properties: ({ Joi, measured }) => ({
    thickness: measured('counter_m').required(),
    cast: Joi.boolean(),
    dropped: Joi.object({ length: measured('side_m').required(), across: measured('depth_m').required(), down: measured('depth_m').required() })
      .allow(null)
      .required(),
  }),
  fields: ({ Joi, measured, outline, cutouts, size }) => ({
    outline: outline.required(),
    cutouts_m2: cutouts.required(),
    thickness: measured('depth_m').required(),
    cast: Joi.boolean(),
    edges: Joi.array()
      .items(Joi.object({ length_m: size(100).required(), across_m: size(1).required(), down_m: size(1).required() }))
      .max(50)
      .required(),
    stock_m: Joi.number().min(0.01).max(20).required(),
    kerf_m: size(0.02).required(),
  }),
  inputOf({ outline: { points }, properties: { thickness, dropped, cast } }, { openings }) {
    const edges = dropped ? [{ length_m: dropped.length.value, across_m: dropped.across.value, down_m: dropped.down.value }] : [];
    const { formStock_m: stock_m, formKerf_m: kerf_m } = TAKEOFF;
    return { kind: 'counter', outline: points, cutouts_m2: cutoutsIn(points, openings), thickness, ...(cast ? { cast } : {}), edges, stock_m, kerf_m };
  },
};
