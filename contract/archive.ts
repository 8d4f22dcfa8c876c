import Joi from 'joi';
import { id, instant, text } from './common';
import { ENTITY_NAMES, type EntityName } from './entities';
import { FIELDS } from './schemas';

/** How archives are written since; an older one is always read. */
export const ARCHIVE = { format: 'tufa.archive', v: 1 } as const;

/** What an archive says of itself: every other file in it with its SHA-256. */
export interface ArchiveManifest {
  readonly format: typeof ARCHIVE.format;
  readonly v: number;
  readonly madeAt: string;
  readonly coreVersion: string;
  readonly files: Readonly<Record<string, string>>;
  /** rows by entity */
  readonly rows: Readonly<Record<string, number>>;
}

export const manifestSchema = Joi.object({
  format: Joi.string().valid(ARCHIVE.format).required(),
  v: Joi.number().integer().min(1).required(),
  madeAt: instant.required(),
  coreVersion: text(20).required(),
  files: Joi.object().pattern(Joi.string().max(120), Joi.string().hex().length(64)).required(),
  rows: Joi.object().pattern(Joi.string().max(40), Joi.number().integer().min(0)).required(),
});

/** In what order rows go in: each after what it names. */
export const ARCHIVED: readonly EntityName[] = [
  'firm',
  'person',
  'product',
  'sheet',
  ...ENTITY_NAMES.filter((name) => !['firm', 'person', 'product', 'sheet'].includes(name)),
];

const ROW = {
  id: id.required(),
  version: Joi.number().integer().min(1).required(),
  changed: Joi.number().integer().min(0).required(),
  removed: Joi.boolean().required(),
};

/** A row as it lies in an archive. */
export function archivedRow(name: EntityName): Joi.ObjectSchema {
  const known = archived.get(name) ?? archivedBy(name);
  archived.set(name, known);
  return known;
}

/** Made once: an archive holds a hundred thousand rows. */
const archived = new Map<EntityName, Joi.ObjectSchema>();

function archivedBy(name: EntityName): Joi.ObjectSchema {
  const row = FIELDS[name].keys(ROW);
  return name === 'pourEvent' ? row.keys({ receivedAt: instant }) : row;
}

/** What became of an archive that was brought in. */
export interface ArchiveBrought {
  readonly rows: Readonly<Record<string, number>>;
  readonly files: number;
}
