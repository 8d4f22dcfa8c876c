import { EXPOSURES, MOISTURES, TEXTURES } from '@tufa/core/shelf';
import { ANSWERS, COUNTER_FLOORS, COUNTER_ON, EARLIER, FLIGHT_RAILS, FLIGHT_SIDES, STOP_QUESTIONS, WATER_ACCESS } from '@tufa/core/survey';
import Joi from 'joi';
import { exactly, id, measured, number, optionalText, outline, point, text } from './common';
import { MATERIALS } from './entities';
import { LETTER_MOST_BYTES } from './letter';

const opens = Joi.object({ to: exactly(['foot', 'vehicles']).required(), after_s: number('opens_s').required(), typed: Joi.string().max(60) });

/** The five questions. */
export const stops = Joi.object({
  ...Object.fromEntries(STOP_QUESTIONS.map((question) => [question, exactly(ANSWERS)])),
  opinion: Joi.object({
    role: exactly(['engineer', 'inspector', 'architect', 'other']).required(),
    on: Joi.string()
      .pattern(/^\d{4}-\d\d-\d\d$/)
      .required(),
    said: text(2000).required(),
    covers: Joi.array().items(Joi.string().max(120)).max(200).required(),
    saw: Joi.object().pattern(
      /^.{1,120}$/,
      Joi.object({
        answer: Joi.string().max(20),
        ...Object.fromEntries(['deepest_m', 'thickness_m', 'area_m2', 'length_m', 'width_m', 'step_m'].map((name) => [name, Joi.number().min(0).max(1e6)])),
        at: point,
      }),
    ),
    file: Joi.object({
      id: id.required(),
      name: text(120).required(),
      kind: exactly(['pdf', 'picture']).required(),
      sha256: Joi.string().hex().length(64).required(),
      bytes: Joi.number().integer().min(1).max(LETTER_MOST_BYTES).required(),
    }),
  }),
});

/** What of sun and sky reaches it. */
export const sun = Joi.object({
  exposure: exactly(['sun', 'part', 'shade', 'indoors']).required(),
  shaded: Joi.object({ from_h: Joi.number().min(0).max(24).required(), to_h: Joi.number().min(0).max(24).required() }),
  faces_deg: Joi.number().min(0).max(360).required(),
  absorptivity: Joi.number().min(0).max(1).required(),
});

/** Water that stands in a tank while the work is done. */
export const water = Joi.object({ level: measured('side_m').required(), access: exactly(WATER_ACCESS).required() });

/** What carries a top, and whether somebody competent has said that it does. */
export const stand = Joi.object({ on: exactly(COUNTER_ON).required(), floor: exactly(COUNTER_FLOORS).required(), confirmed: Joi.boolean().required() });

/** What an element is like beside its shape, as a job file holds it. */
export const elementProperties = {
  suspended: Joi.boolean(),
  exposures: Joi.array().items(exactly(EXPOSURES)).unique().required(),
  moisture: exactly(MOISTURES),
  opens: opens.allow(null).required(),
  earlier: exactly(EARLIER),
  causeGoesOn: exactly(ANSWERS),
  stand,
  water,
  texture: exactly(TEXTURES),
  colour: text(40),
  sun,
};

const degree = Joi.number().min(0).max(360);

/** The same with what only people read. */
export const elementRowProperties = {
  ...elementProperties,
  material: exactly(MATERIALS),
  age_y: Joi.number().min(0).max(500).allow(null),
  neighbours: optionalText(300),
  fall: Joi.object({ slope: number('fall').required(), towards_deg: degree.required(), typed: Joi.string().max(60) }).allow(null),
};

/** Outlines inside an element's own. */
export const openings = Joi.array().items(outline).max(50);

/** A flight of steps from the bottom up. */
export const flight = Joi.object({
  width: measured('side_m').required(),
  steps: Joi.array()
    .items(
      Joi.object({
        rise: measured('stepRise_m').required(),
        going: measured('side_m').required(),
        pitch: Joi.number().min(-0.2).max(0.2),
      }),
    )
    .min(1)
    .max(60)
    .required(),
  height: measured('side_m'),
  sides: exactly(FLIGHT_SIDES).required(),
  rails: exactly(FLIGHT_RAILS).required(),
});

/** The shape of an element and how it was told. */
export const geometry = Joi.object({
  outline: outline.required(),
  thickness: measured('thickness_m').required(),
  typed: Joi.object().pattern(/^[a-zA-Z]{1,30}$/, Joi.string().max(60)),
  shape: exactly(['rectangle', 'ell', 'polygon', 'flight']),
  tapes: Joi.array()
    .items(
      Joi.object({
        from: Joi.number().integer().min(0).max(199).required(),
        to: Joi.number().integer().min(0).max(199).required(),
        length_m: number('side_m').required(),
        typed: Joi.string().max(60).required(),
      }),
    )
    .max(400),
  openings,
  flight,
  north_deg: degree.allow(null),
});

/** Where it was tapped. */
export const soundings = Joi.object({
  points: Joi.array().items(point).max(2000).required(),
  hollow: Joi.array().items(Joi.number().integer().min(0).max(1999)).max(2000).required(),
});
