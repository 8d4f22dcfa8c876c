import Joi from 'joi';
import { id, instant } from './common';
import { APPEND_ONLY, type EntityFields, type EntityName } from './entities';
import { FIELDS } from './schemas';

/** Entities that a command may change. */
export type Writable = keyof typeof FIELDS;
/** What a command does to its entity. */
export type Verb = 'add' | 'change' | 'remove';

/** One write. `base` holds the old values of the fields changed, so that only a true clash is a conflict. */
export interface Command<N extends Writable = Writable> {
  readonly id: string;
  readonly v: 1;
  readonly device: string;
  readonly seq: number;
  readonly person: string;
  readonly madeAt: string;
  readonly kind: `${N}.${Verb}`;
  readonly target: string;
  readonly base: Partial<EntityFields[N]> | null;
  readonly change: Partial<EntityFields[N]>;
}

/** A field that somebody else changed meanwhile, with both values. */
export interface FieldConflict {
  readonly field: string;
  readonly yours: unknown;
  readonly theirs: unknown;
}

/** What became of a command. The batch answers 200 whatever its commands did. */
export type CommandResult =
  | { readonly id: string; readonly result: 'done'; readonly version: number; readonly restored?: true }
  | { readonly id: string; readonly result: 'conflict'; readonly version: number; readonly conflicts: readonly FieldConflict[] }
  | { readonly id: string; readonly result: 'refused'; readonly problem: ProblemDetails };

/** RFC 9457, with the path of the field that is wrong. */
export interface ProblemDetails {
  readonly type: string;
  readonly title: string;
  readonly status: number;
  readonly detail?: string;
  readonly code: string;
  readonly field?: string;
  readonly figures?: Readonly<Record<string, unknown>>;
}

const WRITABLE = Object.keys(FIELDS) as Writable[];

/** Which verbs an entity takes: rows that are only ever added cannot be changed or removed, the firm only changed. */
export const verbsOf = (name: Writable): readonly Verb[] =>
  name === 'firm' ? ['change'] : APPEND_ONLY.includes(name as EntityName) ? ['add'] : ['add', 'change', 'remove'];

/** Every kind of command there is: entity and verb. */
export const COMMAND_KINDS = WRITABLE.flatMap((name) => verbsOf(name).map((verb) => `${name}.${verb}`));

/** The envelope of a command; its `change` is held against the schema of its entity by `changeSchema`. */
export const commandSchema = Joi.object({
  id: id.required(),
  v: Joi.number().valid(1).required(),
  device: id.required(),
  seq: Joi.number().integer().min(0).required(),
  person: id.required(),
  madeAt: instant.required(),
  kind: Joi.string()
    .valid(...COMMAND_KINDS)
    .required(),
  target: id.required(),
  base: Joi.object().unknown().allow(null).required(),
  change: Joi.object().unknown().required(),
});

/** A batch of commands by its shape; each is checked by itself. */
export const commandsSchema = Joi.array().items(Joi.object().unknown()).min(1).max(100).required();

/** Entity and verb of a command's kind. */
export const parts = (kind: string): { name: Writable; verb: Verb } => {
  const [name, verb] = kind.split('.') as [Writable, Verb];
  return { name, verb };
};

function makeChangeSchema(kind: string): Joi.ObjectSchema {
  const { name, verb } = parts(kind);
  if (verb === 'add') return FIELDS[name];
  if (verb === 'remove') return Joi.object({});
  const keys = Object.keys(FIELDS[name].describe().keys as object);
  const some = FIELDS[name].fork(keys, (schema) => schema.optional());
  // What a finding says and where it lies are held against its kind.
  return name === 'finding' ? some.with('properties', 'kind').with('outline', 'kind') : some;
}

/** A schema is dear to make, and the same for every command of its kind. */
const made = new Map<string, Joi.ObjectSchema>();

/** What the change of a command may hold: all fields when adding, any of them when changing, nothing when removing. */
export function changeSchema(kind: string): Joi.ObjectSchema {
  const schema = made.get(kind) ?? makeChangeSchema(kind);
  made.set(kind, schema);
  return schema;
}
