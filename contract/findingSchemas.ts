import { ANSWERS, MARKS, PHASES } from '@tufa/core/survey';
import { CRACK_PROFILES, SECTIONS, SHAPES } from '@tufa/core/takeoff';
import Joi from 'joi';
import { exactly, id, line, measured, optionalText, outline, points, text } from './common';

const phase = exactly(PHASES);
const base = { id: id.required(), elementId: id.required(), label: text(12).required(), phase };
const edge = exactly(['cut', 'feathered']);
const size = (most: number): Joi.NumberSchema => Joi.number().min(0).max(most);

/** What a spall is like beside its outline: the same in a form, a row and a job file. */
export const spallProperties = {
  deepest: measured('depth_m').required(),
  shape: exactly(SHAPES).required(),
  edge: edge.required(),
};

const widths = Joi.array()
  .items(Joi.array().items(size(1e4)).length(2))
  .min(1)
  .max(500);

const csp = Joi.number().integer().min(1).max(10);
const flight = Joi.number().integer().min(1).max(60);
const cutouts = Joi.array().items(size(100)).max(50);
const said = { phase, note: optionalText(500) };

/** What each kind of row says beside where it lies. */
export const propertiesOf = {
  spall: Joi.object({ ...spallProperties, ...said, cutDepth: measured('depth_m').allow(null) }),
  crack: Joi.object({
    profile: exactly(CRACK_PROFILES).required(),
    width: measured('crack_m').required(),
    depth: measured('crackDepth_m').required(),
    moves: exactly(ANSWERS).required(),
    lip: measured('lip_m').allow(null).required(),
    ...said,
  }),
  joint: Joi.object({
    width: measured('crack_m').required(),
    depth: measured('crackDepth_m').required(),
    between: measured('side_m').allow(null).required(),
    ...said,
  }),
  edge: Joi.object({
    section: exactly(SECTIONS).required(),
    across: measured('depth_m').required(),
    down: measured('depth_m').required(),
    ...said,
  }),
  skim: Joi.object({ thickness: measured('skim_m').required(), profile: csp.required(), ...said }),
  wedge: Joi.object({ run: measured('side_m').required(), rise: measured('depth_m').required(), ...said }),
  step: Joi.object({
    going: measured('going_m').required(),
    rise: measured('stepRise_m').required(),
    steps: flight.required(),
    stays: Joi.number().min(0).max(0.95).required(),
    ...said,
  }),
  counter: Joi.object({
    thickness: measured('counter_m').required(),
    dropped: Joi.object({ length: measured('side_m').required(), across: measured('depth_m').required(), down: measured('depth_m').required() })
      .allow(null)
      .required(),
    ...said,
  }),
  void: Joi.object({ deepest: measured('depth_m').required(), shape: exactly(SHAPES).required(), ...said }),
  mark: Joi.object({ what: exactly(MARKS).required(), ...said }),
};

/** What of an element is seen beside its damage, in a job file. */
export const marks = Joi.array()
  .items(Joi.object({ id: id.required(), label: text(12).required(), what: exactly(MARKS).required(), points: points.required() }))
  .max(1000);

/** What each kind of finding is described by. */
const KINDS: Record<string, Joi.PartialSchemaMap> = {
  spall: {
    outline: outline.required(),
    ...spallProperties,
    readings: Joi.array()
      .items(Joi.array().items(Joi.number().min(-100).max(100)).length(3))
      .max(2000),
    cutDepth_m: size(1),
  },
  crack: {
    line: line.required(),
    profile: exactly(CRACK_PROFILES).required(),
    widths: widths.required(),
    depth: measured('depth_m').required(),
    cap_m: size(2).required(),
    runaway: size(5).required(),
    moves: exactly(ANSWERS),
    lip_m: size(1),
    visits: Joi.array()
      .items(Joi.object({ at_s: Joi.number().required(), widths: widths.required() }))
      .max(200),
  },
  groove: {
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
  },
  edge: {
    section: exactly(SECTIONS).required(),
    length: measured('side_m').required(),
    across: measured('depth_m').required(),
    down: measured('depth_m').required(),
  },
  step: {
    width: measured('side_m').required(),
    going: measured('width_m').required(),
    rise: measured('depth_m').required(),
    steps: flight.required(),
    stays_m3: size(300).required(),
    pitch: size(0.1).required(),
    propAngle_rad: size(1.5).required(),
  },
  skim: { outline: outline.required(), thickness: measured('depth_m').required(), profile: csp.required(), cutouts_m2: cutouts },
  wedge: { run: measured('side_m').required(), rise: measured('depth_m').required(), width: measured('side_m').required() },
  counter: {
    outline: outline.required(),
    cutouts_m2: cutouts.required(),
    thickness: measured('depth_m').required(),
    edges: Joi.array()
      .items(Joi.object({ length_m: size(100).required(), across_m: size(1).required(), down_m: size(1).required() }))
      .max(50)
      .required(),
    stock_m: Joi.number().min(0.01).max(20).required(),
    kerf_m: size(0.02).required(),
  },
  void: { outline: outline.required(), deepest: measured('depth_m').required(), shape: exactly(SHAPES).required() },
};

/** A finding is checked by its kind, so that a fault is named where it is. */
const finding = Joi.alternatives().conditional('.kind', {
  switch: Object.entries(KINDS).map(([kind, fields]) => ({ is: kind, then: Joi.object({ ...base, kind: exactly([kind]).required(), ...fields }) })),
});

/** Findings of a job file. */
export const findings = Joi.array().items(finding);
