import Joi from 'joi';
import { LIMITS, type Limit } from './limits';

/** The building blocks of every wire schema. No custom rules: OpenAPI and JSON Schema are made from these. */
export const id = Joi.string().guid({ separator: '-', wrapper: false }).lowercase();
/** An instant, ISO 8601. */
export const instant = Joi.string().isoDate();
/** A text that must say something, at most so long. */
export const text = (most: number): Joi.StringSchema => Joi.string().trim().min(1).max(most);
/** A text that may be empty, at most so long. */
export const optionalText = (most: number): Joi.StringSchema => Joi.string().trim().allow('').max(most);

/** One of these words. */
export const exactly = (values: readonly string[]): Joi.StringSchema => Joi.string().valid(...values);

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

/** A bare number inside a named limit. */
export const number = between;

/** A temperature of a sheet, degC. */
export const degrees = Joi.number().min(-30).max(80);

const point = Joi.array().items(Joi.number().min(-LIMITS.side_m.most).max(LIMITS.side_m.most)).length(2);
/** Two points or more, m. */
export const line = Joi.array().items(point).min(2).max(200);
/** Three points or more, m. */
export const outline = Joi.array().items(point).min(3).max(200);
/** An outline or a line; what a kind wants more of them is asked by `senseOf`. */
export const points = Joi.array().items(point).min(2).max(200);
export { point };
