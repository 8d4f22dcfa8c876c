import { BREAKS, ROLES } from '@tufa/core/pour';
import Joi from 'joi';
import { exactly, id } from './common';

const volume = Joi.number().min(0).max(10);

/** What an event of a pour says beside its kind. */
export const eventPayload = Joi.object({
  text: Joi.string().max(500),
  key: Joi.string().max(120),
  used: Joi.object({
    powder_kg: Joi.number().min(0).max(5000),
    water_m3: volume,
    latex_m3: volume,
    packets: Joi.number().min(0).max(1000),
    parts_m3: Joi.array().items(volume).min(1).max(4),
    sand_kg: Joi.number().min(0).max(5000),
  }),
  pail_C: Joi.number().min(-20).max(90),
  slab_C: Joi.number().min(-30).max(90),
  test: Joi.string().max(30),
  passed: Joi.boolean(),
  what: exactly(BREAKS),
  choice: Joi.string().max(30).allow(null),
  role: exactly(ROLES),
  plan: id,
  voice: id,
  taken: Joi.object({ productId: id.required(), mass_kg: Joi.number().min(0).max(1e6).required() }),
});
