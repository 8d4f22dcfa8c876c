import Joi from 'joi';

/** The building blocks of every wire schema. No custom rules: OpenAPI and JSON Schema are made from these. */
export const id = Joi.string().guid().lowercase();
export const instant = Joi.string().isoDate();
export const text = (most: number): Joi.StringSchema => Joi.string().trim().min(1).max(most);
export const optionalText = (most: number): Joi.StringSchema => Joi.string().trim().allow('').max(most);

export const exactly = (values: readonly string[]): Joi.StringSchema => Joi.string().valid(...values);

/** Relative SI limits of what a form or a file may hold: absurd figures are refused at the edge. */
export const LIMITS = {
  side_m: { least: 0.01, most: 100 },
  depth_m: { least: 0.0005, most: 1 },
  thickness_m: { least: 0.01, most: 3 },
  air_C: { least: -18, most: 55 },
  slab_C: { least: -10, most: 75 },
  powder_C: { least: -10, most: 60 },
  water_C: { least: 0, most: 60 },
  humidity: { least: 0, most: 1 },
  wind_ms: { least: 0, most: 30 },
  opens_s: { least: 600, most: 60 * 86400 },
  retarderDose: { least: 0, most: 10 },
  share: { least: 0.05, most: 1 },
  width_m: { least: 1e-4, most: 10 },
  crack_m: { least: 1e-5, most: 0.3 },
  crackDepth_m: { least: 1e-4, most: 2 },
  lip_m: { least: 0, most: 1 },
  fall: { least: 0, most: 1 },
  depth: { least: 0, most: 1 },
  width: { least: 1e-5, most: 0.3 },
  sounding: { least: 0, most: 1 },
  scratch: { least: 0, most: 2 },
  drop_s: { least: 0, most: 3600 },
  pull_Pa: { least: 0, most: 20e6 },
  strength_Pa: { least: 0, most: 200e6 },
  moisture: { least: 0, most: 1 },
  going_m: { least: 0.05, most: 3 },
  stepRise_m: { least: 0.025, most: 0.9 },
  skim_m: { least: 0.0005, most: 0.3 },
  counter_m: { least: 0.005, most: 0.3 },
  thicknessLayer_m: { least: 0.001, most: 0.3 },
} as const;

export type Limit = keyof typeof LIMITS;

const between = (limit: Limit): Joi.NumberSchema => Joi.number().min(LIMITS[limit].least).max(LIMITS[limit].most);

/** A measured value within a named limit. */
export const measured = (limit: Limit): Joi.ObjectSchema =>
  Joi.object({
    value: between(limit).required(),
    typed: Joi.string().max(60),
    source: Joi.string().valid('typed', 'instrument', 'assumed', 'sheet', 'class', 'crew').required(),
    spread: Joi.number().min(0).max(3),
    at: instant,
    by: Joi.string().max(60),
  });

export const number = between;

export const degrees = Joi.number().min(-30).max(80);

const point = Joi.array().items(Joi.number().min(-LIMITS.side_m.most).max(LIMITS.side_m.most)).length(2);
export const line = Joi.array().items(point).min(2).max(200);
export const outline = Joi.array().items(point).min(3).max(200);
/** An outline or a line; what a kind wants more of them is asked by `senseOf`. */
export const points = Joi.array().items(point).min(2).max(200);
export { point };
