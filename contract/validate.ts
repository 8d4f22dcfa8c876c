import type Joi from 'joi';
import { changeSchema, commandSchema } from './commands';

/** One thing wrong with what was sent: where, a stable code, and the figures behind it. */
export interface Fault {
  readonly field: string;
  readonly code: string;
  readonly figures: Readonly<Record<string, unknown>>;
}

const OPTIONS: Joi.ValidationOptions = { abortEarly: true, convert: true, errors: { wrap: { label: false } } };

/** The first fault of a value against a schema, or the value as the schema converts it. */
export function check<T>(schema: Joi.Schema, value: unknown): { value: T; fault: null } | { value: null; fault: Fault } {
  const { error, value: converted } = schema.validate(value, OPTIONS);
  const detail = error?.details[0];
  if (!detail) return { value: converted as T, fault: null };
  const { limit } = (detail.context ?? {}) as { limit?: unknown };
  return { value: null, fault: { field: detail.path.join('.'), code: detail.type, figures: limit === undefined ? {} : { limit } } };
}

/** A command, envelope and change, against its schemas. */
export function checkCommand(value: unknown): ReturnType<typeof check<import('./commands').Command>> {
  const envelope = check<import('./commands').Command>(commandSchema, value);
  if (envelope.fault) return envelope;
  const change = check<object>(changeSchema(envelope.value.kind), envelope.value.change);
  if (change.fault) return { value: null, fault: { ...change.fault, field: `change.${change.fault.field}` } };
  return { value: { ...envelope.value, change: change.value } as import('./commands').Command, fault: null };
}
