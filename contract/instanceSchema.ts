import Joi from 'joi';

const seconds = Joi.number().min(0).max(5_184_000);
const name = Joi.string().min(1).max(80);
/** The same as the name of a property: a schema of one says nothing in JSON Schema. */
const NAMED = /^.{1,80}$/;

/** A day to be put in order, as `tufa schedule` reads it. */
export const instanceSchema = Joi.object({
  v: Joi.number().valid(1).required(),
  step_s: Joi.number().min(1).max(86_400).required(),
  horizon_s: Joi.number().min(1).max(5_184_000).required(),
  resources: Joi.object().pattern(NAMED, Joi.number().min(0).max(1000)).required(),
  operations: Joi.array()
    .items(
      Joi.object({
        id: name.required(),
        duration_s: seconds.required(),
        byHour_s: Joi.array().items(seconds).min(1).max(2000),
        needs: Joi.object().pattern(NAMED, Joi.number().min(0).max(1000)).required(),
        windows: Joi.array().items(Joi.array().ordered(seconds.required(), seconds.required())).min(1).max(400),
        fixed_s: seconds,
      }),
    )
    .max(1000)
    .required(),
  lags: Joi.array()
    .items(Joi.object({ from: name.required(), to: name.required(), least_s: seconds.required(), most_s: seconds.allow(null).required() }))
    .max(5000)
    .required(),
  minimise: Joi.string().valid('finish').required(),
});
