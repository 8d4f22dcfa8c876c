import { STEP_FACES } from '@tufa/core/survey';
import Joi from 'joi';
import { exactly, id, line, measured, outline } from './common';

const size = (most: number): Joi.NumberSchema => Joi.number().min(0).max(most);

/** What the schemas of findings are built of. Handed to each kind, so that its row can be read where nothing is checked. */
export const blocks = {
  Joi,
  exactly,
  id,
  measured,
  line,
  outline,
  size,
  widths: Joi.array()
    .items(Joi.array().items(size(1e4)).length(2))
    .min(1)
    .max(500),
  csp: Joi.number().integer().min(1).max(10),
  flight: Joi.number().integer().min(1).max(60),
  onStep: Joi.object({ step: Joi.number().integer().min(1).max(60).required(), face: exactly(STEP_FACES).required() }),
  cutouts: Joi.array().items(size(100)).max(50),
};

export type Blocks = typeof blocks;
