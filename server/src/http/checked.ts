import { check } from '@tufa/contract/validate';
import type Joi from 'joi';
import { HttpProblem } from './HttpProblem';

/** A value of an address or a query against its schema. @throws HttpProblem 422 naming the field */
export function checked<T>(schema: Joi.Schema, value: unknown): T {
  const { value: good, fault } = check<T>(schema, value);
  if (fault) throw new HttpProblem({ status: 422, code: fault.code, field: fault.field, figures: fault.figures });
  return good;
}
