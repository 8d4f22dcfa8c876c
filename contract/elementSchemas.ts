import { EXPOSURES, MOISTURES } from '@tufa/core/shelf';
import { ANSWERS, STOP_QUESTIONS } from '@tufa/core/survey';
import Joi from 'joi';
import { exactly, number, point } from './common';

const opens = Joi.object({ to: exactly(['foot', 'vehicles']).required(), after_s: number('opens_s').required(), typed: Joi.string().max(60) });

/** The five questions. */
export const stops = Joi.object(Object.fromEntries(STOP_QUESTIONS.map((question) => [question, exactly(ANSWERS)])));

/** What an element is like beside its shape. */
export const elementProperties = {
  suspended: Joi.boolean().required(),
  exposures: Joi.array().items(exactly(EXPOSURES)).unique().required(),
  moisture: exactly(MOISTURES).required(),
  opens: opens.allow(null).required(),
};

/** What of sun and sky reaches it. */
export const sun = Joi.object({
  exposure: exactly(['sun', 'part', 'shade', 'indoors']).required(),
  faces_deg: Joi.number().min(0).max(360).required(),
  absorptivity: Joi.number().min(0).max(1).required(),
});

/** Where it was tapped. */
export const soundings = Joi.object({
  points: Joi.array().items(point).max(2000).required(),
  hollow: Joi.array().items(Joi.number().integer().min(0).max(1999)).max(2000).required(),
});
