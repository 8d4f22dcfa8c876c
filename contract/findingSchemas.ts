import { SECTIONS, SHAPES, CRACK_PROFILES } from '@tufa/core/takeoff';
import Joi from 'joi';
import { exactly, id, line, measured, outline, text } from './common';

const base = { id: id.required(), elementId: id.required(), label: text(12).required() };
const edge = exactly(['cut', 'feathered']);
const size = (most: number): Joi.NumberSchema => Joi.number().min(0).max(most);

/** What a spall is like beside its outline: the same in a form, a row and a job file. */
export const spallProperties = {
  deepest: measured('depth_m').required(),
  shape: exactly(SHAPES).required(),
  edge: edge.required(),
};

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
    widths: Joi.array()
      .items(Joi.array().items(size(1e4)).length(2))
      .min(1)
      .max(500)
      .required(),
    depth: measured('depth_m').required(),
    cap_m: size(2).required(),
    runaway: size(5).required(),
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
    steps: Joi.number().integer().min(1).max(60).required(),
    stays_m3: size(100).required(),
    pitch: size(0.1).required(),
    propAngle_rad: size(1.5).required(),
  },
  skim: { outline: outline.required(), thickness: measured('depth_m').required(), profile: Joi.number().integer().min(1).max(10).required() },
  wedge: { run: measured('side_m').required(), rise: measured('depth_m').required(), width: measured('side_m').required() },
  counter: {
    outline: outline.required(),
    cutouts_m2: Joi.array().items(size(100)).max(20).required(),
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

export const findings = Joi.array().items(finding);
