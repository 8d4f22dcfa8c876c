import type Joi from 'joi';
import { changeSchema, commandSchema, type Command } from './commands';
import type { Fault } from './Fault';
import { unkeptAt } from './keepable';
import { senseOf } from './sense';

const OPTIONS: Joi.ValidationOptions = { abortEarly: true, convert: true, errors: { wrap: { label: false } } };

/** The first fault of a value against a schema, or the value as the schema converts it. */
export function check<T>(schema: Joi.Schema, value: unknown): { value: T; fault: null } | { value: null; fault: Fault } {
  const { error, value: converted } = schema.validate(value, OPTIONS);
  const detail = error?.details[0];
  if (!detail) return { value: converted as T, fault: null };
  const { limit } = (detail.context ?? {}) as { limit?: unknown };
  return { value: null, fault: { field: detail.path.join('.'), code: `field.${detail.type}`, figures: limit === undefined ? {} : { limit } } };
}

/** A command: its envelope, its change against the schema of its entity, and what a schema cannot see. */
export function checkCommand(value: unknown): { value: Command; fault: null } | { value: null; fault: Fault } {
  const unkept = unkeptAt(value);
  if (unkept) return { value: null, fault: { ...unkept, figures: {} } };
  const envelope = check<Command>(commandSchema, value);
  if (envelope.fault) return envelope;
  const change = check<Command['change']>(changeSchema(envelope.value.kind), envelope.value.change);
  const fault = change.fault ?? senseOf(change.value as Record<string, unknown>);
  if (fault) return { value: null, fault: { ...fault, field: `change.${fault.field}` } };
  return { value: { ...envelope.value, change: change.value! }, fault: null };
}
